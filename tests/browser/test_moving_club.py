"""The whole club leaves as a file, the demo is taken away, and the club comes in from the file."""

import urllib.request


def test_a_club_leaves_as_a_file_and_comes_in_again(coach, tmp_path):
    coach.open("/")
    for width in (390, 1280):
        coach.resize(width, 800)
        assert coach.find(".rail .demo").is_displayed(), f"marked at {width}"
    coach.open("/people")
    coach.see("The whole club", "as one file")
    cookies = "; ".join(f"{c['name']}={c['value']}" for c in coach.driver.get_cookies())
    asked = urllib.request.Request(f"{coach.address}/api/club/archive", headers={"Cookie": cookies})
    file = tmp_path / "club.zip"
    with urllib.request.urlopen(asked, timeout=60) as answer:
        file.write_bytes(answer.read())
    coach.click("Remove the demo club")
    coach.see("It goes with everything that was tried in it")
    assert coach.serious_violations() == []
    coach.click("Remove it")
    coach.see("Start your own club")
    coach.not_see("Enter the demo club")
    coach.click("Start your own club")
    coach.see("Or bring a club in from elsewhere")
    coach.field("Archive of a club").send_keys(str(file))
    coach.see("is here with", "Passwords stayed behind")
    assert coach.serious_violations() == []
    coach.click("Choose the password")
    coach.fill("Password, 12 characters or more", "a lift is a lift")
    coach.click("Use this password")
    coach.see("Kiln Lane Strength", "Marlow Teague", "Dov Harrowgate")
