"""The first club of one's own, from the sign-in page to a lifter's first load."""


def test_a_club_is_started_from_nothing_and_plans_a_first_load(page):
    page.open("/")
    page.see("Enter the demo club")
    page.start_club("Quarry Road", "Ysolde Marrow", "ysolde@quarry.example", "too short")
    page.see("this takes at least 12 letters")
    page.fill("Password, 12 characters or more", "a lift is a lift")
    assert page.serious_violations() == []
    page.click("Start the club")
    page.see("Quarry Road", "Floor")
    page.not_see("Kiln Lane Strength")
    page.click("Sign out")
    page.see("Enter the demo club")
    page.not_see("Start your own club")
    page.fill("E-mail", "ysolde@quarry.example")
    page.fill("Password", "a lift is a lift")
    page.click("Sign in")
    page.see("Quarry Road", "Floor")


def test_a_dead_link_says_what_to_do(page):
    page.open("/start/long-gone")
    page.see("this link was used, is over or never was", "Back to signing in")
