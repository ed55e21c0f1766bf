"""Puts a note on the first page of a PDF by poppler: python3 poppler-note.py FROM TO X Y WORDS (points from the lower left). For tests only."""
import sys

import gi

gi.require_version("Poppler", "0.18")
from gi.repository import Gio, Poppler

source, target, x, y, words = sys.argv[1:6]
document = Poppler.Document.new_from_gfile(Gio.File.new_for_path(source), None, None)
page = document.get_page(0)
box = Poppler.Rectangle()
box.x1, box.y1, box.x2, box.y2 = float(x), float(y) - 20, float(x) + 20, float(y)
note = Poppler.AnnotText.new(document, box)
note.set_contents(words)
page.add_annot(note)
document.save("file://" + target)
