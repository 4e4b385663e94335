/** The way back to the shelf, whatever has happened to this page: it is fetched anew. */
export function WayBack() {
  return (
    <p>
      <a className="text-sky underline" href="/">
        Back to the shelf
      </a>
    </p>
  );
}
