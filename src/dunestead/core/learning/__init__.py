"""What a maker's own jobs teach: figures that take the place of the table's, with the values behind them."""
