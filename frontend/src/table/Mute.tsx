import { Volume2, VolumeX } from "lucide-react";
import { Button } from "../ui/Button";
import { useSay } from "./translator";
import { prefer, usePreferences } from "./preferences";

/** Turns every sound of the table off and on. */
export function Mute() {
  const say = useSay();
  const { isMuted } = usePreferences();
  return (
    <Button
      look="quiet"
      className="px-2"
      aria-label={say("mute")}
      title={say(isMuted ? "sound is off" : "sound is on")}
      aria-pressed={isMuted}
      onClick={() => prefer({ isMuted: !isMuted })}
    >
      {isMuted ? <VolumeX aria-hidden /> : <Volume2 aria-hidden />}
    </Button>
  );
}
