// @vitest-environment jsdom
import { cleanup, fireEvent, render } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { useCommands, useShortcuts } from "./shortcuts";

afterEach(cleanup);

const CHARACTERS = Array.from({ length: 95 }, (_, at) => String.fromCharCode(32 + at));
const PLACES = ["page", "field", "button", "bar", "field of the bar", "dialog"] as const;

/** A page with one of everything that can have the focus, whose keys all do something. */
function Everything({ use, heard }: { use: typeof useCommands; heard: (key: string) => void }) {
  const keys = [...CHARACTERS.map((key) => key.toUpperCase()), "Enter"];
  use(Object.fromEntries(keys.map((key) => [key, () => heard(key)])));
  return (
    <>
      <p data-testid="page">words</p>
      <input data-testid="field" />
      <button data-testid="button">Press</button>
      <div data-commands>
        <button data-testid="bar">Right</button>
        <input data-testid="field of the bar" />
      </div>
      <div role="dialog">
        <button data-testid="dialog">Close</button>
      </div>
    </>
  );
}

/** What a key does wherever the focus is: the places where it is taken. */
function takenAt(use: typeof useCommands, key: string, held: object = {}) {
  const heard = vi.fn();
  const page = render(<Everything use={use} heard={heard} />);
  const taken = PLACES.filter((place) => {
    heard.mockClear();
    fireEvent.keyDown(page.getByTestId(place), { key, ...held });
    return heard.mock.calls.length > 0;
  });
  cleanup();
  return taken;
}

test("a character pressed alone is a command on the bar alone, never in a field, on the page or in a dialog", () => {
  for (const key of CHARACTERS) expect(takenAt(useCommands, key), key).toEqual(["bar"]);
});

test("with Alt a letter is a command everywhere but in a dialog, and with other modifiers never", () => {
  const everywhere = PLACES.filter((place) => place !== "dialog");
  for (const letter of "abcxyz") {
    const code = `Key${letter.toUpperCase()}`;
    expect(takenAt(useCommands, letter, { altKey: true, code }), letter).toEqual(everywhere);
    // Where Alt makes another character of the key, the character belongs to a field.
    expect(takenAt(useCommands, "æ", { altKey: true, code }), letter).toEqual(["page", "button", "bar"]);
    for (const held of [{ ctrlKey: true }, { metaKey: true }, { repeat: true }])
      expect(takenAt(useCommands, letter, { altKey: true, code, ...held }), letter).toEqual([]);
  }
});

test("a shortcut is for the page: not for fields and dialogs, nor Enter and Space on what takes them itself", () => {
  const places = ["page", "button", "bar"];
  for (const key of CHARACTERS) expect(takenAt(useShortcuts, key), key).toEqual(key === " " ? ["page"] : places);
  expect(takenAt(useShortcuts, "Enter")).toEqual(["page"]);
  expect(takenAt(useShortcuts, "g", { altKey: true })).toEqual([]);
});
