"""The stores: what there is in them, and a ledger; test cuts by their own name."""

import json
from datetime import UTC, datetime

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"


def upgrade() -> None:
    ledger = op.create_table(
        "ledger",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("item", sa.Integer, nullable=False, index=True),
        sa.Column("amount", sa.Float, nullable=False),
        sa.Column("why", sa.String(20), nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("job", sa.Integer, nullable=True, index=True),
        sa.Column("task", sa.String(120), nullable=False),
        sa.Column("batch", sa.Integer, nullable=False),
        sa.Column("note", sa.Text, nullable=False),
        sa.Column("by", sa.Text, nullable=False),
    )
    op.add_column("job", sa.Column("needs", sa.Text, nullable=True))
    op.add_column("job", sa.Column("needs_key", sa.Text, nullable=True))
    op.execute("UPDATE shelf SET kind = 'test-cut' WHERE kind = 'recipe'")
    connection = op.get_bind()
    rows = connection.execute(sa.text("SELECT id, state FROM shelf WHERE kind = 'stock'")).all()
    for number, text in rows:
        was = json.loads(text)
        is_roll = was.get("is_roll", True)
        left = was["length"] if is_roll else float(was.get("count", 1))
        item = {
            "name": was["name"],
            "kind": "roll" if is_roll else "sheets",
            "key": was["material"],
            "width": was["width"],
            "length": None if is_roll else was["length"],
            "colour": was.get("colour"),
        }
        # What it was before its last change told of another amount: that is the ledger's now.
        connection.execute(
            sa.text("UPDATE shelf SET kind = 'item', state = :state, before = NULL WHERE id = :id"),
            {"state": json.dumps(item), "id": number},
        )
        moved = {"item": number, "amount": left, "why": "begun", "at": datetime.now(UTC).replace(tzinfo=None)}
        connection.execute(sa.insert(ledger).values(**moved, job=None, task="", batch=0, note="", by=""))


def downgrade() -> None:
    op.execute("UPDATE shelf SET kind = 'recipe' WHERE kind = 'test-cut'")
    op.execute("DELETE FROM shelf WHERE kind = 'item'")
    op.drop_column("job", "needs_key")
    op.drop_column("job", "needs")
    op.drop_table("ledger")
