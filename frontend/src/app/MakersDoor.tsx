import { KeyRound } from "lucide-react";
import { useState, useSyncExternalStore, type ReactNode } from "react";
import { detailsOf, isKeyWanted, listenForKey } from "../api/client";
import { showKey } from "../api/players";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";
import { Notice } from "../ui/Notice";
import { Page } from "./Page";

/** Asks for the maker's key where the server wants it, in place of the page. */
export function MakersDoor({ children }: { children: ReactNode }) {
  const isWanted = useSyncExternalStore(listenForKey, isKeyWanted);
  const [key, setKey] = useState("");
  const [refused, setRefused] = useState<string>();
  if (!isWanted) return children;
  return (
    <Page title="The maker's key">
      <main className="mx-auto max-w-md space-y-4 p-8">
        <h1 className="flex items-center gap-2 text-3xl">
          <KeyRound aria-hidden /> The maker's key
        </h1>
        <p>
          These pages are the maker's own. The key was printed where the server was started; players need none, only the address
          of a game.
        </p>
        {refused && <Notice tone="wrong">{refused}</Notice>}
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void showKey(key).then(
              () => window.location.reload(),
              (error: unknown) => setRefused(detailsOf(error).detail),
            );
          }}
        >
          <TextField label="Key" className="flex-1" value={key} onChange={setKey} />
          <Button type="submit" look="main">
            Open
          </Button>
        </form>
      </main>
    </Page>
  );
}
