/** How the saving of what is being edited stands. */
export type Saving = { is: "saved" } | { is: "saving" } | { is: "failed"; error: unknown };

export const SAVED_WORDS = { saved: "Saved", saving: "Saving…", failed: "Not saved" };
