"""What is to appear: shapes of a drawing, and the region they paint at a size."""
