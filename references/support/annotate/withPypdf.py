"""withPypdf.py FROM TO: annotations of every kind it knows, on the first page of a PDF."""

import sys

from pypdf import PdfReader, PdfWriter
from pypdf.generic import AnnotationBuilder, ArrayObject, FloatObject, NameObject, TextStringObject

source, to = sys.argv[1:]
writer = PdfWriter()
writer.append(PdfReader(source))


def add(annotation, said="", colour=None):
    # This release writes these names without their slash, which damages the object.
    if "/LE" in annotation:
        annotation[NameObject("/LE")] = ArrayObject([NameObject("/None"), NameObject("/None")])
    if "/IT" in annotation:
        del annotation["/IT"]
    annotation[NameObject("/T")] = TextStringObject("Ada Rowan")
    annotation[NameObject("/M")] = TextStringObject("D:20260921141320Z")
    if said:
        annotation[NameObject("/Contents")] = TextStringObject(said)
    if colour:
        annotation[NameObject("/C")] = ArrayObject([FloatObject(n) for n in colour])
    writer.add_annotation(0, annotation)


add(AnnotationBuilder.rectangle(rect=(300, 540, 420, 620), interiour_color="80ff80"), "", (0, 0, 1))
add(AnnotationBuilder.ellipse(rect=(440, 540, 540, 600)), "", (0, 0, 1))
add(AnnotationBuilder.line(p1=(100, 500), p2=(240, 470), rect=(95, 465, 245, 505)), "Why here?", (0, 0, 0))
add(AnnotationBuilder.polygon(vertices=[(300, 460), (360, 520), (420, 460)]), "", (0, 0.5, 0))
add(
    AnnotationBuilder.free_text(
        "Compare with the limpets.",
        rect=(72, 380, 260, 430),
        font="Times",
        font_size="14pt",
        font_color="800000",
        background_color="ffffff",
    )
)
add(AnnotationBuilder.text(rect=(500, 700, 520, 720), text="A picture is wanted."), "", (1, 0, 0))

with open(to, "wb") as file:
    writer.write(file)
