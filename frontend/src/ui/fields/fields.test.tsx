// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { NameField } from "./NameField";
import { NumberField } from "./NumberField";
import { PlacesField } from "./PlacesField";

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const write = (text: string) => fireEvent.change(screen.getByRole("textbox"), { target: { value: text } });

test.each([
  ["12", 12, false],
  [" -3 ", -3, false],
  ["", undefined, true],
  ["1.5", undefined, true],
  ["twelve", undefined, true],
  ["1e3", undefined, true],
  ["1000000001", undefined, true],
])("a number field passes on whole numbers alone, and says what is wrong of others: %j", (typed, passed, isFaulty) => {
  const onChange = vi.fn();
  render(<NumberField label="Count" value={7} onChange={onChange} />);
  write(typed);
  expect(onChange.mock.calls).toEqual(passed === undefined ? [] : [[passed]]);
  expect(screen.queryByRole("alert") !== null).toBe(isFaulty);
  expect(screen.getByRole("textbox").getAttribute("aria-invalid")).toBe(String(isFaulty));
});

test("an empty number field is no number where empty means something", () => {
  const onChange = vi.fn();
  render(<NumberField label="Count" value={7} empty="all" onChange={onChange} />);
  write("");
  expect(onChange.mock.calls).toEqual([[null]]);
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a name is told once, a moment after the last key or when the field goes, and never for nothing", () => {
  const onName = vi.fn();
  const { unmount } = render(<NameField label="Name" value="Beds" onName={onName} />);
  for (const text of ["Bed", "Be", "Bean", "Beans"]) {
    write(text);
    act(() => void vi.advanceTimersByTime(399));
  }
  expect(onName).not.toHaveBeenCalled();
  act(() => void vi.advanceTimersByTime(1));
  expect(onName.mock.calls).toEqual([["Beans"]]);
  write("Beds");
  act(() => void vi.advanceTimersByTime(1000));
  expect(onName).toHaveBeenCalledTimes(1);
  write("Peas");
  unmount();
  expect(onName.mock.calls).toEqual([["Beans"], ["Peas"]]);
});

function Words({ places, onWords }: { places: string[]; onWords: (words: string) => void }) {
  const [words, setWords] = useState("");
  const change = (next: string) => {
    setWords(next);
    onWords(next);
  };
  return <PlacesField label="Words" value={words} places={places} onChange={change} />;
}

test("a brace that is being written is finished by Enter with the first name that fits, or by a press", () => {
  const onWords = vi.fn();
  render(<Words places={["score", "streak", "name"]} onWords={onWords} />);
  const names = () => screen.getAllByRole("button").map((button) => button.textContent);
  expect(names()).toEqual(["{score}", "{streak}", "{name}"]);
  write("Well done, {S");
  expect(names()).toEqual(["{score}", "{streak}"]);
  fireEvent.keyDown(screen.getByRole("textbox"), { key: "Enter" });
  expect(onWords).toHaveBeenLastCalledWith("Well done, {score}");
  fireEvent.click(screen.getByRole("button", { name: "{name}" }));
  expect(onWords).toHaveBeenLastCalledWith("Well done, {score}{name}");
});
