"""The thing that is printed on: its size, its outline, and where a design goes on a garment."""
