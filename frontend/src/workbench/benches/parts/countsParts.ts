import { NEW_ROUND } from "../../../api/parts";
import type { Check } from "../../../api/schema";

/** Whether a round says otherwise than "all or nothing" anywhere, so that its fields for parts are to be seen. */
export function countsParts({ partly, order_share }: Check): boolean {
  return partly !== NEW_ROUND.check.partly || order_share !== NEW_ROUND.check.order_share;
}
