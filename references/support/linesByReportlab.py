"""Writes a page of lines made by ReportLab to the file that is named, in a TrueType face that is embedded in part."""

import sys

from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen import canvas

LINES = [
    "Low water is at twenty to eight on Monday",
    "Bring boots, a lens and something warm",
    "The upper shore is counted first",
    "Two to a quadrat, and one who writes",
    "Nothing living is taken home",
    "The minibus leaves when the tide turns",
]
pdfmetrics.registerFont(TTFont("Own", sys.argv[2]))
page = canvas.Canvas(sys.argv[1], pagesize=(420, 300), invariant=True)
page.setFont("Own", 14)
for k, line in enumerate(LINES):
    page.drawString(30, 250 - 30 * k, line)
page.showPage()
page.save()
