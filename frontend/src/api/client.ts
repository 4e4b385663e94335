import createClient from "openapi-fetch";
import { reach } from "./home";
import { listeners } from "./listeners";
import type { paths, ProblemDetails } from "./schema";
import { countCall } from "./waiting";

/** The one client of the server's API. */
export const api = createClient<paths>({ baseUrl: "/", fetch: reach });

/** An error the server explained, or the failure to reach it. */
export class ApiError extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.detail);
  }
  get status() {
    return this.details.status;
  }
}

const OUT_OF_REACH: ProblemDetails = {
  type: "about:blank",
  title: "Out of reach",
  status: 0,
  detail: "The server does not answer. Is it still running? Nothing you saved is lost.",
  problems: [],
};

const KEY_WANTED = 401;
let keyWanted = false;
const waitingForKey = listeners();

/** Whether the server has asked for the maker's key. */
export function isKeyWanted(): boolean {
  return keyWanted;
}

export const listenForKey = waitingForKey.listen;

/** A form with one field, for what is sent as a file. */
export function formOf(name: string, value: File | string): FormData {
  const form = new FormData();
  form.append(name, value);
  return form;
}

/** What a call gave, or an ApiError thrown. */
export async function given<T>(call: Promise<{ data?: T; error?: ProblemDetails }>): Promise<T> {
  let answer;
  countCall(1);
  try {
    answer = await call;
  } catch {
    throw new ApiError(OUT_OF_REACH);
  } finally {
    countCall(-1);
  }
  if (answer.error?.status === KEY_WANTED) {
    keyWanted = true;
    waitingForKey.tell();
  }
  if (answer.data === undefined) throw new ApiError(answer.error ?? OUT_OF_REACH);
  return answer.data;
}

/** The details of any error thrown by `given`. */
export function detailsOf(error: unknown): ProblemDetails {
  return error instanceof ApiError ? error.details : { ...OUT_OF_REACH, detail: String(error) };
}
