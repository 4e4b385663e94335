import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, done, formOf, given } from "./client";
import type { AboutSave, FactColumn, FactsEdit, PackEdit, PackJoin, PackSplit, Pattern, Question } from "./schema";
import type { Dice } from "./dice";
import { keys } from "./keys";

export function usePacks() {
  return useQuery({ queryKey: keys.packs(), queryFn: () => given(api.GET("/api/packs")) });
}

export function usePack(packId: string) {
  return useQuery({
    queryKey: keys.packs(packId),
    queryFn: () =>
      given(api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId } } })),
  });
}

const AT_ONCE = 5000;

/** A pack and its questions, so many at a time that nobody else waits for them. */
async function wholePack(packId: string) {
  const pack = await given(
    api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId }, query: { most: AT_ONCE } } }),
  );
  const questions = [...pack.questions];
  const rows = [...pack.rows];
  const path = { pack_id: packId, number: pack.revision };
  while (pack.columns.length > 0 && rows.length < pack.question_count) {
    const query = { first: rows.length, most: AT_ONCE };
    rows.push(...(await given(api.GET("/api/packs/{pack_id}/revisions/{number}/rows", { params: { path, query } }))));
  }
  while (pack.columns.length === 0 && questions.length < pack.question_count) {
    const query = { first: questions.length, most: AT_ONCE };
    questions.push(
      ...(await given(api.GET("/api/packs/{pack_id}/revisions/{number}/questions", { params: { path, query } }))),
    );
  }
  return { ...pack, questions, rows };
}

/** A pack with every question, to be edited. */
export function useWholePack(packId: string) {
  return useQuery({
    queryKey: keys.wholePack(packId),
    queryFn: () => wholePack(packId),
    staleTime: 0,
    gcTime: 0,
  });
}

/** How edits are sent: whether they were sent before, and what is in the revision that they do not know of. */
type Sent<Edit> = { isAgain: boolean; unseen: Edit[] };

export function editPack(packId: string, revision: number, edits: PackEdit[], how?: Sent<PackEdit>) {
  return given(
    api.POST("/api/packs/{pack_id}/edits", {
      params: { path: { pack_id: packId } },
      body: { revision, edits, may_be_kept: how?.isAgain ?? false, unseen: how?.unseen ?? null },
    }),
  );
}

export function editFacts(packId: string, revision: number, edits: FactsEdit[], how?: Sent<FactsEdit>) {
  return given(
    api.POST("/api/packs/{pack_id}/facts-edits", {
      params: { path: { pack_id: packId } },
      body: { revision, edits, may_be_kept: how?.isAgain ?? false, unseen: how?.unseen ?? null },
    }),
  );
}

/** Gives facts these columns, in this order. */
export function changeColumns(packId: string, revision: number, columns: FactColumn[]) {
  return given(
    api.POST("/api/packs/{pack_id}/columns", {
      params: { path: { pack_id: packId } },
      body: { revision, columns },
    }),
  );
}

/** Says what a pack is called, and what its maker says of it. */
export function describePack(packId: string, about: AboutSave) {
  return given(
    api.POST("/api/packs/{pack_id}/about", { params: { path: { pack_id: packId } }, body: about }),
  );
}

/** Takes some rows out of a pack into a new one. */
export function splitPack(packId: string, split: PackSplit) {
  return given(
    api.POST("/api/packs/{pack_id}/splits", { params: { path: { pack_id: packId } }, body: split }),
  );
}

/** The questions of a pack that are alike. */
export function findAlike(packId: string) {
  return given(api.GET("/api/packs/{pack_id}/alike", { params: { path: { pack_id: packId } } }));
}

/** Copies a pack, joins several, takes one off the shelf, or puts it back. */
export function usePackMoves() {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: keys.packs(), exact: true });
  const params = (packId: string) => ({ params: { path: { pack_id: packId } } });
  return {
    copy: useMutation({
      mutationFn: (packId: string) => given(api.POST("/api/packs/{pack_id}/copies", params(packId))),
      onSuccess: again,
    }),
    join: useMutation({
      mutationFn: (join: PackJoin) => given(api.POST("/api/packs/joins", { body: join })),
      onSuccess: again,
    }),
    remove: useMutation({
      mutationFn: (packId: string) => done(api.DELETE("/api/packs/{pack_id}", params(packId))),
      onSuccess: again,
    }),
    putBack: useMutation({
      mutationFn: (packId: string) => given(api.POST("/api/packs/{pack_id}/return", params(packId))),
      onSuccess: again,
    }),
  };
}

/** Begins a pack of questions, or with columns a table of facts, to be filled in here. */
export function newPack(title: string, columns: string[] = []) {
  return given(api.POST("/api/packs", { body: { title, columns } }));
}

/** A question written by hand as the kind that its cells speak for. */
export function guessKind(question: Question) {
  return given(api.POST("/api/packs/kinds", { body: question }));
}

/** A pattern over a pack of facts to begin with. */
export function firstPattern(packId: string): Promise<Pattern> {
  return given(
    api.GET("/api/packs/{pack_id}/first-pattern", { params: { path: { pack_id: packId } } }),
  );
}

/** What comes of a pattern over a revision of its facts. */
export function usePatternLook(pattern: Pattern, dice: Dice | undefined, revision: number) {
  return useQuery({
    queryKey: keys.pattern(pattern, dice, revision),
    queryFn: () => given(api.POST("/api/packs/pattern-looks", { body: { pattern, dice: dice ?? 0 } })),
    placeholderData: (before) => before,
    retry: false,
  });
}

/** Keeps a picture or sound for a pack's questions to name. */
export function addMedium(packId: string, file: File) {
  return given(
    api.POST("/api/packs/{pack_id}/media", {
      params: { path: { pack_id: packId } },
      body: { files: [] },
      bodySerializer: () => formOf("files", file),
    }),
  );
}

/** The picture of a question with its areas. */
export function usePicture(packId: string, question: Question) {
  return useQuery({
    queryKey: keys.picture(packId, question),
    queryFn: () => given(api.POST("/api/packs/{pack_id}/picture", { params: { path: { pack_id: packId } }, body: question })),
    placeholderData: (before) => before,
    retry: false,
  });
}

/** A question as its player will see it. */
export function usePreview(packId: string, question: Question) {
  return useQuery({
    queryKey: keys.preview(packId, question),
    queryFn: () =>
      given(
        api.POST("/api/packs/{pack_id}/preview", {
          params: { path: { pack_id: packId } },
          body: question,
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
}
