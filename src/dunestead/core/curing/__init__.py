"""When to peel, when it is dry, when it may be used and washed."""
