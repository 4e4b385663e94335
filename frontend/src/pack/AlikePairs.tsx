import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { findAlike } from "../api/packs";
import type { Question } from "../api/schema";
import { rightInWords } from "../app/rightInWords";
import { counted } from "../app/format";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";
import type { Row } from "./usePackDraft";

type AlikePairsProps = {
  packId: string;
  rows: Row<Question>[];
  isSaved: boolean;
  onShow: (row: number) => void;
  onDelete: (row: number) => void;
};

const SHOWN = 50;

/** Questions that are alike, each pair with the means to look at it or be rid of one. */
export function AlikePairs({ packId, rows, isSaved, onShow, onDelete }: AlikePairsProps) {
  const [pairs, setPairs] = useState<{ one: number; other: number; near: number }[]>();
  const find = useMutation({
    mutationFn: () => findAlike(packId),
    // Rows are known by their keys, for they move as others are deleted.
    onSuccess: (found) =>
      setPairs(
        found.flatMap(({ row, other, near }) => {
          const [one, two] = [rows[row]?.key, rows[other]?.key];
          return one === undefined || two === undefined ? [] : [{ one, other: two, near }];
        }),
      ),
  });
  const places = new Map(rows.map(({ key }, row) => [key, row]));
  const there = (pairs ?? []).filter(({ one, other }) => places.has(one) && places.has(other));
  return (
    <>
      <Button disabled={!isSaved || find.isPending} onClick={() => find.mutate()}>
        {find.isPending ? "Comparing…" : "Find alike questions"}
      </Button>
      {find.error && <ErrorNotice error={find.error} />}
      {pairs && (
        <div className="max-h-56 w-full overflow-auto rounded-lg border border-line bg-card px-3 py-1.5" tabIndex={0} role="group" aria-label="Pairs">
          <p className="flex items-center gap-3">
            {there.length === 0 ? "No two questions are alike." : counted(there.length, "pair")}
            <Button look="quiet" onClick={() => setPairs(undefined)}>
              Close
            </Button>
          </p>
          <ol>
            {there.slice(0, SHOWN).map(({ one, other, near }) => {
              const both = [one, other].map((key) => places.get(key) ?? 0);
              return (
                <li key={`${one} ${other}`} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
                  <b className="w-12 tabular-nums">{near} %</b>
                  <span className="min-w-0 flex-1">
                    {both.map((row) => {
                      const question = rows[row]?.item;
                      return (
                        <button key={row} type="button" className="block max-w-full truncate text-left text-sky underline" onClick={() => onShow(row)}>
                          {row + 1}: {question && `${question.prompt} (${rightInWords(question)})`}
                        </button>
                      );
                    })}
                  </span>
                  <Button onClick={() => onDelete(both[1] ?? 0)}>Delete row {(both[1] ?? 0) + 1}</Button>
                </li>
              );
            })}
          </ol>
        </div>
      )}
    </>
  );
}
