"""An invented club for trying Pavrik out."""
