"""One job's inputs in, the whole plan out."""
