import { Download } from "lucide-react";
import { answersSaver } from "../api/home";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";

/** Gives away the answers that are kept on this device; nothing where a server has them. */
export function SaveAnswers() {
  const say = useSay();
  const save = answersSaver();
  if (!save) return null;
  return (
    <p className="mt-4 text-center">
      <Button onClick={() => void save()}>
        <Download aria-hidden /> {say("save answers")}
      </Button>
    </p>
  );
}
