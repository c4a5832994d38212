"""People of a club, as an owner and a newcomer use it: invited, joined, reading only, taken out."""

from selenium.webdriver.common.keys import Keys

from tests.browser.test_every_view import check


def enter(page, address: str) -> None:
    page.driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
    page.driver.get(address)


def test_from_the_invitation_to_a_reader_who_changes_nothing(coach):
    coach.open("/")
    coach.click("People")
    coach.see("Invite somebody", "What was done")
    check(coach)
    coach.fill("E-mail", "newcomer@kilnlane.example")
    coach.keys(Keys.TAB)
    coach.click("reads only")
    coach.click("Make the link")
    coach.see("Shown once", "invitation for newcomer@kilnlane.example")
    address = coach.find(".made input").get_attribute("value")

    enter(coach, address)
    coach.resize(390, 844)
    coach.see("Join Kiln Lane Strength.", "change nothing")
    check(coach)
    coach.fill("Password", "too short")
    coach.click("Join the club")
    coach.see("12 characters")
    coach.fill("Your name", "Newcomer Pell")
    coach.fill("Password", "long enough for kiln")
    coach.click("Join the club")
    coach.see("Marlow Teague")
    coach.resize(1280, 800)
    coach.open_lifter("Marlow Teague", "Watch")
    coach.see("Your role may look at clips")
    coach.open("/people")
    coach.see("Owners invite, change roles and take people out.", "Newcomer Pell")
    assert "Invite somebody" not in coach.text()
    check(coach)

    enter(coach, address)
    coach.see("this link was used")
    coach.enter_demo()
    coach.open("/people")
    coach.see("Newcomer Pell")
    coach.click("Take out")
    coach.see("signs in no more")
    coach.click("Take out now")
    coach.see("what they recorded stays under their name")
    coach.assert_quiet()
