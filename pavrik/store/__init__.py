"""PostgreSQL: migrations, one pool, SQL named after what it answers."""
