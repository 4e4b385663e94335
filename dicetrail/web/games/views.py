"""What a game looks like on the wire."""

from dicetrail.core.workbench import placed
from dicetrail.services.app_state import AppState
from dicetrail.store.addresses import address_of
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_packs
from dicetrail.web.games.shapes import GameView
from dicetrail.web.packs.views import pack_card


def game_view(app_state: AppState, game_id: str) -> GameView:
    """A game as it now stands, with everything its workbench shows. Raises NotFound."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id)
        packs = newest_packs(session, game.document.packs_used)
        numbers = tuple(sorted((pack.pack_id, pack.number) for pack in packs))
        examined, is_settling = app_state.programs.seen_deeper(game.document, numbers)
        return GameView(
            id=game_id,
            address=address_of(session, game_id),
            revision=game.number,
            saved_at=game.saved_at,
            document=game.document,
            stops=examined.stops,
            spans_are_whole=examined.spans_are_whole,
            other_spans=examined.other_spans,
            is_begun=examined.is_begun,
            is_settling=is_settling,
            pools=examined.pools,
            facets=examined.facets,
            problems=tuple(map(placed, (*game.kept.problems, *examined.problems))),
            score_spans=examined.score_spans,
            script_ways=examined.script_ways,
            packs=[pack_card(pack, app_state.packs.wrong_in(pack)) for pack in packs],
        )
