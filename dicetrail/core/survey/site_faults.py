"""Problems of the sites that may show a game in a frame."""

from collections.abc import Iterator

from dicetrail.core.document import MAX_SITES, Game, Problem, is_site, warning


def site_problems(game: Game) -> Iterator[Problem]:
    """Every problem of these sites. A site without a valid address shows no game."""
    for number, site in enumerate(game.framed_by):
        if not is_site(site):
            what = f"“{site}” is no address of a site"
            mend = "write it as browsers do, such as https://school.example, without a path"
            yield warning(f"framed_by[{number}]", what, mend)
    if len(game.framed_by) > MAX_SITES:
        what = f"{len(game.framed_by)} sites are named, and the first {MAX_SITES} count"
        yield warning("framed_by", what, "leave some out")
