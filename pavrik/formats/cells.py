"""Text in the cells of a table, CSV or XLSX: no spreadsheet takes it for a formula."""

_RISKY = ("=", "+", "-", "@", "\t", "\r")


def _is_risky(text: str) -> bool:
    return text.lstrip(" ").startswith(_RISKY)


def safe_text(text: str) -> str:
    """Text with a mark before it where a spreadsheet would compute it."""
    return f"'{text}" if _is_risky(text) else text


def plain_text(cell: str) -> str:
    """Text as it was before ``safe_text``."""
    return cell[1:] if cell.startswith("'") and _is_risky(cell[1:]) else cell
