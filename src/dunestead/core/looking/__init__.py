"""What a job looks like before its sheets are cut: findings, the size rail, remedies."""
