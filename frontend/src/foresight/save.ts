/** Saves a text as a file of the maker's. */
export function save(name: string, kind: string, text: string) {
  const address = URL.createObjectURL(new Blob([text], { type: kind }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
