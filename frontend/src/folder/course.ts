/**
 * A course around the page: what became of the game is reported to it, as SCORM 1.2 has it.
 *
 * A course keeps one status and one score of a player. A better run stands in for a worse one,
 * never the other way round.
 */
import type { Told } from "../api/home";

/** The runtime interface that a course platform offers in a window around the page. */
export type CourseApi = {
  LMSInitialize: (nothing: "") => string;
  LMSGetValue: (name: string) => string;
  LMSSetValue: (name: string, value: string) => string;
  LMSCommit: (nothing: "") => string;
  LMSFinish: (nothing: "") => string;
};

type Framed = { API?: CourseApi; parent: Framed; opener?: Framed | null };

/** So many windows around one another are looked through. */
const MAX_AROUND = 7;

/** The interface of the course around a window; nothing where there is none. */
export function courseAround(page: Framed): CourseApi | undefined {
  let around: Framed | null | undefined = page;
  for (let count = 0; around && count < MAX_AROUND; count += 1) {
    try {
      if (around.API) return around.API;
    } catch {
      return undefined; // a window of another site tells nothing
    }
    around = around.parent === around ? around.opener : around.parent;
  }
  return undefined;
}

/** Reports to a course; `passes` names the endings that count as passed. */
export class Course {
  private readonly began = Date.now();

  constructor(
    private readonly api: CourseApi,
    private readonly passes: string[],
  ) {
    api.LMSInitialize("");
    if (this.status === "not attempted" || this.status === "") this.set("lesson_status", "incomplete");
    api.LMSCommit("");
  }

  private get status() {
    return this.api.LMSGetValue("cmi.core.lesson_status");
  }

  private set(name: string, value: string) {
    this.api.LMSSetValue(`cmi.core.${name}`, value);
  }

  hear(told: Told) {
    if (told.what !== "ended") return;
    const best = Number(this.api.LMSGetValue("cmi.core.score.raw") || "-1");
    if (told.percent > best) {
      this.set("score.min", "0");
      this.set("score.max", "100");
      this.set("score.raw", String(told.percent));
    }
    if (this.passes.includes(told.ending)) this.set("lesson_status", "passed");
    else if (this.status !== "passed") this.set("lesson_status", this.passes.length > 0 ? "failed" : "completed");
    this.set("session_time", spent(Date.now() - this.began));
    this.api.LMSCommit("");
  }

  end() {
    this.set("session_time", spent(Date.now() - this.began));
    this.api.LMSCommit("");
    this.api.LMSFinish("");
  }
}

/** A time as courses write it: hours, minutes and seconds, ``0000:02:07.50``. */
export function spent(ms: number): string {
  const hundredths = Math.floor(ms / 10);
  const [seconds, minutes, hours] = [(hundredths % 6000) / 100, Math.floor(hundredths / 6000) % 60, Math.floor(hundredths / 360_000)];
  return `${String(Math.min(hours, 9999)).padStart(4, "0")}:${String(minutes).padStart(2, "0")}:${seconds.toFixed(2).padStart(5, "0")}`;
}
