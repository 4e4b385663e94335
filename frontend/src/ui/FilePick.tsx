import { FileUp } from "lucide-react";
import { useRef } from "react";
import { Button } from "./Button";

type FilePickProps = {
  label: string;
  busy: boolean;
  look?: "main" | "plain";
  /** Which kinds of file are offered first. */
  accept?: string;
  onFile: (file: File) => void;
};

const QUESTION_FILES =
  ".tsv,.csv,.txt,.md,.html,.docx,.odt,.xlsx,.xls,.ods,.json,.jsonl,.yaml,.yml,.zip,text/*";

/** A button that opens the system's file chooser. */
export function FilePick({ label, busy, look = "plain", accept = QUESTION_FILES, onFile }: FilePickProps) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
      <Button look={look} disabled={busy} onClick={() => field.current?.click()}>
        <FileUp aria-hidden />
        {busy ? "Reading…" : label}
      </Button>
    </>
  );
}
