import { Share2 } from "lucide-react";
import { useState } from "react";
import type { EndingShown, Table } from "../api/schema";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";

type ShareProps = { table: Table; ending: EndingShown };

/** Gives the result away as plain text: to what the device offers, or to be pasted. */
export function Share({ table, ending }: ShareProps) {
  const say = useSay();
  const [isCopied, setIsCopied] = useState<boolean>();
  const points = say("points", { count: table.score });
  const text = say("share words", { title: table.title, ending: ending.title, points });
  const address = window.location.href.split("?")[0] ?? "";
  const share = async () => {
    const shared = { title: table.title, text, url: address };
    if ("share" in navigator && navigator.canShare(shared)) {
      await navigator.share(shared).catch(() => undefined);
      return;
    }
    // Pages from afar that are not secure may not copy: then the text stands there to be marked.
    const whole = `${text}\n${address}`;
    setIsCopied("clipboard" in navigator && (await navigator.clipboard.writeText(whole).then(() => true, () => false)));
  };
  return (
    <div className="mt-4 flex flex-wrap items-center justify-center gap-3">
      <Button onClick={() => void share()}>
        <Share2 aria-hidden /> {say("share")}
      </Button>
      <span role="status">{isCopied && say("shared")}</span>
      {isCopied !== undefined && (
        <p className="basis-full text-center text-soft select-all">
          {text} {address}
        </p>
      )}
    </div>
  );
}
