import { expect, test } from "vitest";
import { Course, courseAround, spent, type CourseApi } from "./course";

const platform = (kept: Record<string, string> = {}) => {
  const told: Record<string, string> = { "cmi.core.lesson_status": "not attempted", ...kept };
  const calls: string[] = [];
  const api: CourseApi = {
    LMSInitialize: () => (calls.push("open"), "true"),
    LMSGetValue: (name) => told[name] ?? "",
    LMSSetValue: (name, value) => ((told[name] = value), "true"),
    LMSCommit: () => (calls.push("kept"), "true"),
    LMSFinish: () => (calls.push("closed"), "true"),
  };
  return { api, told, calls };
};
type Around = Parameters<typeof courseAround>[0];
const around = (window: object) => window as Around;
const ended = (ending: string, percent: number) =>
  ({ from: "dice trail", what: "ended", ending, score: 9, percent, seconds: 3 }) as const;

test.each([
  [["Gold"], "Gold", "passed"],
  [["Gold"], "Seed", "failed"],
  [[], "Seed", "completed"],
])("of %j, %s is %s", (passes, ending, status) => {
  const { api, told, calls } = platform();
  const course = new Course(api, passes);
  expect(told["cmi.core.lesson_status"]).toBe("incomplete");
  course.hear(ended(ending, 40));
  expect(told["cmi.core.lesson_status"]).toBe(status);
  expect([told["cmi.core.score.raw"], told["cmi.core.score.min"], told["cmi.core.score.max"]]).toEqual(["40", "0", "100"]);
  course.end();
  expect(calls.at(-1)).toBe("closed");
});

test("a worse run takes nothing back, in this sitting or a later one", () => {
  const { api, told } = platform();
  const course = new Course(api, ["Gold"]);
  course.hear(ended("Gold", 80));
  course.hear(ended("Seed", 10));
  const later = new Course(api, ["Gold"]);
  later.hear(ended("Seed", 20));
  expect([told["cmi.core.lesson_status"], told["cmi.core.score.raw"]]).toEqual(["passed", "80"]);
});

test("the course is found in windows around, or in the one that opened them, and never beyond", () => {
  const { api } = platform();
  const top = around({ API: api });
  top.parent = top;
  expect(courseAround(around({ parent: around({ parent: top }) }))).toBe(api);
  const opened = around({ opener: top });
  opened.parent = opened;
  expect(courseAround(around({ parent: opened }))).toBe(api);
  const alone = around({});
  alone.parent = alone;
  expect(courseAround(alone)).toBeUndefined();
  const foreign = around({
    get API(): CourseApi {
      throw new Error("of another site");
    },
  });
  expect(courseAround(around({ parent: foreign }))).toBeUndefined();
});

test.each([
  [0, "0000:00:00.00"],
  [127_509, "0000:02:07.50"],
  [3_600_000 * 30 + 59_999, "0030:00:59.99"],
])("%i ms are %s", (ms, told) => expect(spent(ms)).toBe(told));
