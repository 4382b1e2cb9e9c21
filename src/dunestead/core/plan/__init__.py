"""The whole plan of one job: method, coatings, verified sheets, amounts."""
