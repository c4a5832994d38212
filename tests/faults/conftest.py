"""The API's clubs and coaches, for what goes wrong around them."""

from tests.api.conftest import browser, clubs, coach, gym, lifter, owner_url

__all__ = ["browser", "clubs", "coach", "gym", "lifter", "owner_url"]
