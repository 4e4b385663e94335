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
  /** Takes several at once, where several can be chosen. */
  onFiles?: (files: File[]) => void;
};

const QUESTION_FILES =
  ".tsv,.csv,.txt,.md,.html,.docx,.odt,.xlsx,.xls,.ods,.json,.jsonl,.yaml,.yml,.zip,text/*";

/** A button that opens the system's file chooser. */
export function FilePick({ label, busy, look = "plain", accept = QUESTION_FILES, onFile, onFiles }: FilePickProps) {
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
        multiple={onFiles !== undefined}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = "";
          if (onFiles && files.length > 0) onFiles(files);
          else if (files[0]) onFile(files[0]);
        }}
      />
      <Button look={look} disabled={busy} onClick={() => field.current?.click()}>
        <FileUp aria-hidden />
        {busy ? "Reading…" : label}
      </Button>
    </>
  );
}
