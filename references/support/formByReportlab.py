"""Writes a form made by ReportLab to the file that is named: fields of every sort that it has."""

import sys

from reportlab.lib.colors import black, white
from reportlab.pdfgen import canvas

page = canvas.Canvas(sys.argv[1], pagesize=(300, 400), invariant=True)
page.drawString(20, 370, "Lent out")
form = page.acroForm
frame = {"borderWidth": 1, "borderColor": black, "fillColor": white, "textColor": black}
form.textfield(name="who", tooltip="Who", x=20, y=330, width=120, height=18, **frame)
form.textfield(
    name="why", x=20, y=260, width=160, height=50, fieldFlags="multiline", fontSize=10, **frame
)
form.textfield(
    name="number", x=20, y=230, width=120, height=18, maxlen=6, fieldFlags="comb", **frame
)
form.checkbox(name="wet", x=20, y=200, size=16, buttonStyle="cross", **frame)
form.checkbox(name="dry", x=50, y=200, size=16, checked=True, **frame)
form.radio(name="when", value="ebb", x=100, y=200, size=16, selected=True, **frame)
form.radio(name="when", value="flood", x=130, y=200, size=16, **frame)
form.choice(
    name="where",
    x=20,
    y=160,
    width=100,
    height=18,
    options=[("Rock pool", "rock"), ("Mud", "mud")],
    value="rock",
    **frame,
)
form.listbox(
    name="what",
    x=150,
    y=140,
    width=100,
    height=48,
    options=["Net", "Lens", "Tray"],
    value=["Net"],
    fieldFlags="multiSelect",
    **frame,
)
page.save()
