import { useBringMedium } from "../api/loads";
import type { LoadView } from "../api/schema";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice } from "../ui/Notice";

/** The pictures and sounds that came with the file, and a way to bring more. */
export function Media({ load }: { load: LoadView }) {
  const bring = useBringMedium(load.id);
  return (
    <section aria-label="Pictures and sounds" className="flex flex-wrap items-center gap-3 rounded-xl border border-line bg-card p-4">
      <FilePick
        label="Bring pictures or sounds"
        accept="image/*,audio/*"
        busy={bring.isPending}
        onFile={(file) => bring.mutate([file])}
        onFiles={(files) => bring.mutate(files)}
      />
      <p className="min-w-0 flex-1 text-soft">
        {load.media.length
          ? load.media.join(", ")
          : "Needed only if the questions name some. A ZIP can bring them together with the file."}
      </p>
      {bring.error && <ErrorNotice error={bring.error} />}
    </section>
  );
}
