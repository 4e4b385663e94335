/** What is kept of a player, told before they play. */
export function KeptOfYou() {
  return (
    <p className="mt-4 text-center text-sm text-soft text-pretty">
      Kept of you for the maker of this game: the name you give, your answers and when you gave them. The maker can delete them
      for good.
    </p>
  );
}
