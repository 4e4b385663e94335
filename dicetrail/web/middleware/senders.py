"""Identify the sender of a connection."""

from ipaddress import IPv6Address, ip_address, ip_network


def sender_at(client: tuple[str, int] | None) -> str:
    """The sender: an IPv4 address, or the IPv6 network of one household (RFC 6177)."""
    host = client[0] if client else "somebody"
    try:
        address = ip_address(host.partition("%")[0])
    except ValueError:
        return host
    if isinstance(address, IPv6Address) and address.ipv4_mapped is None:
        return str(ip_network((address, 64), strict=False))
    return host
