"""Reads a calendar and a table of tasks from a JSON object on standard input; says on standard output what other programs find in them."""

import base64
import csv
import io
import json
import sys

from icalendar import Calendar

given = json.load(sys.stdin)
calendar = Calendar.from_ical(given["calendar"])


def words(todo):
    found = todo.get("categories")
    return [str(one) for one in found.cats] if found is not None else []


def picture(todo):
    found = todo.get("attach")
    if found is None:
        return ""
    assert found.params["FMTTYPE"] == "image/jpeg" and found.params["VALUE"] == "BINARY"
    return base64.b64encode(base64.b64decode(found.to_ical())).decode()


todos = [
    {
        "id": str(todo["uid"]),
        "title": str(todo["summary"]),
        "says": str(todo["description"]),
        "place": str(todo["location"]),
        "until": todo["due"].dt.isoformat() if "due" in todo else "",
        "state": str(todo["status"]),
        "done": todo["completed"].dt.isoformat() if "completed" in todo else "",
        "made": todo["created"].dt.isoformat(),
        "words": words(todo),
        "picture": picture(todo),
        "errors": [str(error) for error in todo.errors],
    }
    for todo in calendar.walk("VTODO")
]
# As a spreadsheet would: the sign before the text says that it is UTF-8.
table = given["table"].encode("utf-8").decode("utf-8-sig")
rows = list(csv.DictReader(io.StringIO(table, newline="")))
json.dump({"errors": [str(e) for e in calendar.errors], "todos": todos, "rows": rows}, sys.stdout)
