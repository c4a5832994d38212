from pavrik.store.cluster import Cluster
from pavrik.store.migrate import migrate, shipped_migrations


def test_migrations_are_numbered_without_gaps_and_applied_once(server, empty_name):
    numbers = [number for number, _, _ in shipped_migrations()]
    assert numbers == list(range(1, len(numbers) + 1))
    assert migrate(server.owner_url(empty_name)) == []


def test_secrets_are_for_the_owner_only(tmp_path):
    cluster = Cluster(tmp_path)
    assert cluster.app_password != ""
    assert (tmp_path / "secrets.json").stat().st_mode & 0o077 == 0
    assert Cluster(tmp_path).app_password == cluster.app_password
