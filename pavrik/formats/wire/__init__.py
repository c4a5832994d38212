"""The JSON of the screens: what each room of the HTTP API takes and answers."""
