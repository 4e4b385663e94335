import { NEW_ROUND } from "../../../api/parts";
import type { Check } from "../../../api/schema";

/** Whether a round says otherwise than "all or nothing" anywhere, so that its fields for parts are to be seen. */
export function countsParts({ partly, order_share, estimate_share }: Check): boolean {
  const none = NEW_ROUND.check;
  return partly !== none.partly || order_share !== none.order_share || estimate_share !== none.estimate_share;
}
