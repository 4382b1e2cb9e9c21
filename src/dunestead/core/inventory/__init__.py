"""What is in store, what jobs want of it, and what went in and out."""
