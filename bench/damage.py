"""Fifty thousand damaged files of every format: each is read, or refused as documented.

`python -m bench.damage` fails at the first that gives anything else, and shows it.
"""

from tests.attack.damage import read_damaged

FILES, SEEDS = 10_000, range(5)


def main() -> None:
    """Read them all, and say how many were refused."""
    for seed in SEEDS:
        refused = read_damaged(FILES, seed)
        told = ", ".join(f"{name} {count:,}" for name, count in sorted(refused.items()))
        print(f"{FILES:,} damaged files of seed {seed}; refused in words: {told}")


if __name__ == "__main__":
    main()
