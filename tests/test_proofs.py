"""The long proofs were whole on what is here."""

from tests import proofs


def test_every_long_proof_was_whole_on_what_it_stands_on():
    changed = proofs.not_whole(proofs.grounds())
    assert changed == [], f"`{proofs.COMMAND}` tries them whole and keeps what held: commit that"
