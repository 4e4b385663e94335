const words = new Intl.RelativeTimeFormat("en-GB", { numeric: "auto" });
const steps: [Intl.RelativeTimeFormatUnit, number][] = [
  ["day", 86_400],
  ["hour", 3_600],
  ["minute", 60],
];

/** How long ago a moment was, in words: “3 minutes ago”. */
export function ago(moment: string): string {
  const seconds = (Date.parse(moment) - Date.now()) / 1000;
  for (const [unit, size] of steps) {
    if (Math.abs(seconds) >= size) return words.format(Math.round(seconds / size), unit);
  }
  return "just now";
}

/** The letter of a choice, by its number from 0. */
export function letterAt(number: number): string {
  return String.fromCharCode("A".charCodeAt(0) + number);
}

/** A count with its thing: “1 question”, “3 questions”. */
export function counted(count: number, thing: string): string {
  return `${count} ${thing}${Math.abs(count) === 1 ? "" : "s"}`;
}

/** Milliseconds since a run began, as seconds with one decimal: “12.4 s”. */
export function seconds(ms: number): string {
  return `${(ms / 1000).toFixed(1)} s`;
}

/** A length of time in minutes and seconds: “1:05”. */
export function minutes(ms: number): string {
  const whole = Math.round(ms / 1000);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** A share on an axis, with a decimal where it has one: “1.5 %”. */
export function percentTick(share: number): string {
  return `${Number((share * 100).toFixed(1))} %`;
}

/** A share of all, in percent: “48 %”, “0.3 %”. */
export function percent(share: number): string {
  const hundredths = share * 100;
  if (hundredths > 0 && hundredths < 0.05) return "under 0.1 %";
  return `${hundredths < 1 || hundredths > 99 ? Number(hundredths.toFixed(1)) : Math.round(hundredths)} %`;
}
/** When a day begins where the maker is, as a moment. */
export function dayBegins(day: string): string {
  return new Date(`${day}T00:00:00`).toISOString();
}

/** So many bytes as people say it: “812 kB”, “7.4 MB”. */
export function weight(bytes: number): string {
  return bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
}
