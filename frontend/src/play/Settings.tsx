import { ALargeSmall, Moon, Music, Music4, Sun, SunMoon } from "lucide-react";
import { Mute } from "../table/Mute";
import { prefer, usePreferences, type Look } from "../table/preferences";
import { Button } from "../ui/Button";

const NEXT: Record<Look, Look> = { device: "light", light: "dark", dark: "device" };
const LOOKS = {
  device: { icon: SunMoon, words: "light or dark, as the device" },
  light: { icon: Sun, words: "light" },
  dark: { icon: Moon, words: "dark" },
};

/** Mute, light or dark, and the size of the text: the player's own. */
export function Settings({ hasMusic }: { hasMusic: boolean }) {
  const { look, isLarge, isMusicOff } = usePreferences();
  const { icon: LookIcon, words } = LOOKS[look];
  return (
    <span role="group" aria-label="Settings" className="flex gap-1">
      <Mute />
      {hasMusic && (
        <Button
          look="quiet"
          className="px-2"
          aria-label="No music"
          title={isMusicOff ? "Music is off: /" : "Music is on: /"}
          aria-pressed={isMusicOff}
          onClick={() => prefer({ isMusicOff: !isMusicOff })}
        >
          {isMusicOff ? <Music4 aria-hidden className="opacity-50" /> : <Music aria-hidden />}
        </Button>
      )}
      <Button look="quiet" className="px-2" aria-label={`Look: ${words}`} title={`Look: ${words}`} onClick={() => prefer({ look: NEXT[look] })}>
        <LookIcon aria-hidden />
      </Button>
      <Button look="quiet" className="px-2 aria-pressed:bg-tint" aria-label="Larger text" title="Larger text" aria-pressed={isLarge} onClick={() => prefer({ isLarge: !isLarge })}>
        <ALargeSmall aria-hidden />
      </Button>
    </span>
  );
}
