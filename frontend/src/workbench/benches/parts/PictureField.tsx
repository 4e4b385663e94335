import { X } from "lucide-react";
import { useBringPicture } from "../../../api/dress";
import { Button } from "../../../ui/Button";
import { FilePick } from "../../../ui/FilePick";
import { ErrorNotice } from "../../../ui/Notice";

type PictureFieldProps = { label: string; digest: string; onChange: (digest: string) => void };

/** A picture of the game's own, brought from a file; it is kept by the digest of its content. */
export function PictureField({ label, digest, onChange }: PictureFieldProps) {
  const bring = useBringPicture();
  return (
    <div role="group" aria-label={label} className="space-y-1">
      <p className="font-semibold">{label}</p>
      {digest && <img src={`/api/media/${digest}`} alt="" className="h-16 max-w-full rounded-md border border-line bg-sheet object-contain" />}
      <div className="flex flex-wrap gap-1">
        <FilePick
          label={digest ? "Another" : "Bring a picture"}
          accept="image/*,.svg"
          busy={bring.isPending}
          onFile={(file) => bring.mutate(file, { onSuccess: (brought) => onChange(brought.digest) })}
        />
        {digest && (
          <Button look="quiet" className="px-2" aria-label={`Remove: ${label}`} onClick={() => onChange("")}>
            <X aria-hidden />
          </Button>
        )}
      </div>
      {bring.error && <ErrorNotice error={bring.error} />}
    </div>
  );
}
