import { ALargeSmall, Moon, Music, Music4, Sun, SunMoon } from "lucide-react";
import { Mute } from "../table/Mute";
import { prefer, usePreferences, type Look } from "../table/preferences";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";

const NEXT: Record<Look, Look> = { device: "light", light: "dark", dark: "device" };
const LOOKS = {
  device: { icon: SunMoon, phrase: "light as the device" },
  light: { icon: Sun, phrase: "light" },
  dark: { icon: Moon, phrase: "dark" },
} as const;

/** Mute, light or dark, and the size of the text: the player's own. */
export function Settings({ hasMusic }: { hasMusic: boolean }) {
  const { look, isLarge, isMusicOff } = usePreferences();
  const say = useSay();
  const { icon: LookIcon, phrase } = LOOKS[look];
  return (
    <span role="group" aria-label={say("settings")} className="flex gap-1">
      <Mute />
      {hasMusic && (
        <Button
          look="quiet"
          className="px-2"
          aria-label={say("no music")}
          title={`${say("no music")}: /`}
          aria-pressed={isMusicOff}
          onClick={() => prefer({ isMusicOff: !isMusicOff })}
        >
          {isMusicOff ? <Music4 aria-hidden className="opacity-50" /> : <Music aria-hidden />}
        </Button>
      )}
      <Button look="quiet" className="px-2" aria-label={say(phrase)} title={say(phrase)} onClick={() => prefer({ look: NEXT[look] })}>
        <LookIcon aria-hidden />
      </Button>
      <Button look="quiet" className="px-2 aria-pressed:bg-tint" aria-label={say("larger text")} title={say("larger text")} aria-pressed={isLarge} onClick={() => prefer({ isLarge: !isLarge })}>
        <ALargeSmall aria-hidden />
      </Button>
    </span>
  );
}
