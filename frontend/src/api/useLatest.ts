import { useCallback, useRef, useState } from "react";

/** Whether a call is still the latest: what an older one gives is to be dropped. */
type IsLatest = () => boolean;

/** Makes calls of which only the latest counts, and tells whether one is on its way. */
export function useLatest() {
  const turn = useRef(0);
  const [isBusy, setIsBusy] = useState(false);
  const latest = useCallback(async <Given>(call: (isLatest: IsLatest) => Promise<Given>): Promise<Given> => {
    const mine = ++turn.current;
    const isLatest = () => mine === turn.current;
    setIsBusy(true);
    try {
      return await call(isLatest);
    } finally {
      if (isLatest()) setIsBusy(false);
    }
  }, []);
  return { latest, isBusy };
}
