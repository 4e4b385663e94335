import createClient from "openapi-fetch";
import { inTurn } from "./inTurn";
import { listeners } from "./listeners";
import type { paths, ProblemDetails } from "./schema";
import { countCall } from "./waiting";

/** The one client of the server's API. */
export const api = createClient<paths>({ baseUrl: "/", fetch: inTurn });

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

/** What a proxy answers while the server behind it is away (RFC 9110, 15.6.3 to 15.6.5). */
const BEYOND_A_PROXY = new Set([502, 503, 504]);
const KEY_WANTED = 401;
let keyWanted = false;
const waitingForKey = listeners();

/** Whether the server has asked for the maker's key. */
export function isKeyWanted(): boolean {
  return keyWanted;
}

export const listenForKey = waitingForKey.listen;

/** A form with one field, for what is sent as a file. */
export function formOf(name: string, ...values: (File | string)[]): FormData {
  const form = new FormData();
  for (const value of values) form.append(name, value);
  return form;
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** What a call gave, or an ApiError thrown. */
export async function given<T>(call: Promise<Answer<T>>): Promise<T> {
  const { data } = await answered(call);
  if (data === undefined) throw new ApiError(OUT_OF_REACH);
  return data;
}

/** A call that gives nothing back was done, or an ApiError is thrown. */
export async function done(call: Promise<Answer<unknown>>): Promise<void> {
  await answered(call);
}

/** A file the server makes, or an ApiError thrown. */
export function fileAt(address: string): Promise<Blob> {
  const call = async (): Promise<Answer<Blob>> => {
    const response = await fetch(address);
    return response.ok ? { data: await response.blob(), response } : { error: await response.json().catch(() => undefined), response };
  };
  return given(call());
}

export async function answered<T>(call: Promise<Answer<T>>): Promise<Answer<T>> {
  let answer;
  countCall(1);
  try {
    answer = await call;
  } catch {
    throw new ApiError(OUT_OF_REACH);
  } finally {
    countCall(-1);
  }
  if (answer.response.ok) return answer;
  if (answer.response.status === KEY_WANTED) {
    keyWanted = true;
    waitingForKey.tell();
  }
  throw new ApiError(explained(answer.error, answer.response.status));
}

/** What an answer says of an error. What stands before the server says it in a form of its own. */
function explained(error: unknown, status: number): ProblemDetails {
  if (typeof error === "object" && error !== null && "detail" in error) return error as ProblemDetails;
  if (BEYOND_A_PROXY.has(status)) return OUT_OF_REACH;
  const detail = `The answer was ${status}, without a reason. Nothing you saved is lost.`;
  return { ...OUT_OF_REACH, status, detail };
}

/** The details of any error thrown by `given`. */
export function detailsOf(error: unknown): ProblemDetails {
  return error instanceof ApiError ? error.details : { ...OUT_OF_REACH, detail: String(error) };
}

/** Whether what was sent may be kept although it failed: no answer came, or none of the server's own. */
export function mayBeKept(error: unknown): boolean {
  const { status } = detailsOf(error);
  return status === 0 || status >= 500;
}
