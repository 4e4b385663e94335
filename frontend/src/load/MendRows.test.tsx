// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { MendRows } from "./MendRows";

afterEach(cleanup);

const refusal = (cells: string[], column = 2) =>
  ({ line: 7, column, what: "there is no right answer", mend: "fill it in", text: cells.join("\t"), cells });
const fields = () => screen.getAllByRole<HTMLInputElement>("textbox").map(({ value }) => value);

test("a row has a field for each of its cells, and one for the cell that is missing", () => {
  render(<MendRows refused={[refusal(["Which is a root?"])]} areBlocks={false} count={3} onMend={vi.fn()} />);
  expect(fields()).toEqual(["Which is a root?", ""]);
  expect(screen.getByText("and 2 more")).toBeTruthy();
});

test("a row that lacks tabs is parted where the caret stands, or at wide spaces, and taken in as it then is", () => {
  const onMend = vi.fn();
  const words = "Which is a root? Carrot  Pea   Plum";
  render(<MendRows refused={[refusal([words], 1)]} areBlocks={false} count={1} onMend={onMend} />);
  const split = screen.getByRole<HTMLButtonElement>("button", { name: "Split here" });
  expect(split.disabled).toBe(true);
  const field = screen.getByRole<HTMLInputElement>("textbox");
  field.setSelectionRange(16, 16);
  fireEvent.select(field);
  fireEvent.click(split);
  expect(fields()).toEqual(["Which is a root?", "Carrot  Pea   Plum"]);
  fireEvent.click(screen.getByRole("button", { name: "Split at wide spaces" }));
  fireEvent.click(screen.getByRole("button", { name: "Take it in" }));
  expect(onMend.mock.calls).toEqual([[7, ["Which is a root?", "Carrot", "Pea", "Plum"]]]);
});

test("a block of lines is mended as lines", () => {
  const onMend = vi.fn();
  render(<MendRows refused={[refusal(["1. What?", "a) yes"])]} areBlocks count={1} onMend={onMend} />);
  fireEvent.change(screen.getByRole("textbox"), { target: { value: "1. What?\na) yes\nb) no\nAnswer: b" } });
  fireEvent.click(screen.getByRole("button", { name: "Take it in" }));
  expect(onMend.mock.calls).toEqual([[7, ["1. What?", "a) yes", "b) no", "Answer: b"]]]);
});
