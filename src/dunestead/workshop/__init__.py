"""What runs between requests: jobs opened, plans at hand, the cutting room, longer searches, the clock."""
