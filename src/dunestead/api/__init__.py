"""The workshop over HTTP: views parse, call and serialise; no rule and no query stands here."""
