"""Lists the annotations of a PDF as poppler reads them: python3 poppler-marks.py FILE. For tests only."""
import json
import sys

import gi

gi.require_version("Poppler", "0.18")
from gi.repository import Gio, Poppler

document = Poppler.Document.new_from_gfile(Gio.File.new_for_path(sys.argv[1]), None, None)
found = []
for number in range(document.get_n_pages()):
    page = document.get_page(number)
    for mapping in page.get_annot_mapping():
        annot = mapping.annot
        kind = annot.get_annot_type().value_nick
        box = annot.get_rectangle()
        found.append(
            {
                "page": number + 1,
                "kind": kind,
                "id": annot.get_name(),
                "words": annot.get_contents() or "",
                "author": annot.get_label() if isinstance(annot, Poppler.AnnotMarkup) else None,
                "rect": [box.x1, box.y1, box.x2, box.y2],
            }
        )
pages = [document.get_page(number).get_text() for number in range(document.get_n_pages())]
print(json.dumps({"pages": pages, "marks": found}))
