"""Outside devices behind the interfaces that real ones would have; simulated stand-ins ship with it."""
