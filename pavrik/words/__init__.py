"""The words that people read: a folder for each language, in it a file for each part of the trade.

No text stands where something is decided; another language is another folder of the same files.
"""

import json
from importlib.resources import files

LANGUAGE = "en"


def texts(language: str) -> dict[str, str]:
    """Every text of a language by ``part.name``."""
    return {
        f"{file.name.removesuffix('.json')}.{name}": text
        for file in files(__package__).joinpath(language).iterdir()
        for name, text in json.loads(file.read_text("utf-8")).items()
    }


_TEXTS = texts(LANGUAGE)


def say(text: str, **named: object) -> str:
    """A text in the reader's language, with what it names. Raises KeyError for one that is not
    known."""
    return _TEXTS[text].format(**named)
