"""Fills fields of a form by pypdf: the file, where it goes, and the values by the fields' own names as JSON."""

import json
import sys

from pypdf import PdfReader, PdfWriter
from pypdf.generic import NameObject

source, target, values = sys.argv[1], sys.argv[2], json.loads(sys.argv[3])
writer = PdfWriter()
writer.clone_reader_document_root(PdfReader(source))
for page in writer.pages:
    texts = {name: value for name, value in values.items() if not value.startswith("/")}
    writer.update_page_form_field_values(page, texts)
    for one in page.get("/Annots", []):
        field = one.get_object()
        state = values.get(field.get("/T"), "")
        if state.startswith("/"):
            field[NameObject("/V")] = NameObject(state)
            field[NameObject("/AS")] = NameObject(state)
with open(target, "wb") as out:
    writer.write(out)
