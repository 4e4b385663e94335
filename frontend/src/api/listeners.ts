/** Those who want to be told when something outside React has changed. */
export function listeners() {
  const all = new Set<() => void>();
  return {
    listen: (tell: () => void) => {
      all.add(tell);
      return () => all.delete(tell);
    },
    tell: () => {
      for (const listener of all) listener();
    },
  };
}
