"""HTTP: routers, sessions, errors as RFC 9457 problem+json."""
