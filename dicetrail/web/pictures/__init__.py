"""Pictures and sounds by their digests."""
