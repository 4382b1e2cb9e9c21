"""The demo: the workshop of Marram Row, a row of beach cabins being refitted."""
