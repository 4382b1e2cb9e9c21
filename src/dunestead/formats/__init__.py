"""Open formats in and out: bytes to core objects and back."""
