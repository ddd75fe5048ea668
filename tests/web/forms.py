"""Forms of a page as a browser would send them: every field with what it shows."""

from dataclasses import dataclass, field
from html.parser import HTMLParser

TEXTS = ("text", "number", "hidden", "color", "date", "time", "search", "tel", "")


@dataclass
class Shown:
    """A form: where it goes, and what it would send if nothing in it were touched."""

    action: str
    method: str = "POST"
    fields: dict[str, str] = field(default_factory=dict)
    asked: set[str] = field(default_factory=set)
    """The fields that a person fills in: all but hidden ones."""
    lists: set[str] = field(default_factory=set)
    """Those among them that are chosen and not written."""
    choices: dict[str, list[str]] = field(default_factory=dict)
    """What may be chosen in each of those; of a tick box the one value that it sends."""
    ticks: set[str] = field(default_factory=set)
    """Those among them that may be left out."""
    buttons: list[tuple[str, str]] = field(default_factory=list)
    """Name and value of each button that sends it; both empty where it says nothing itself."""


class _Reader(HTMLParser):
    def __init__(self) -> None:
        super().__init__()
        self.found: list[Shown] = []
        self.form: Shown | None = None
        self.select = ""
        self.option: str | None = None
        self.text = ""

    def handle_starttag(self, tag, attrs):
        a = dict(attrs)
        name, value, form = a.get("name", ""), a.get("value"), self.form
        if tag == "form":
            posts = (a.get("method") or "").lower() == "post" or "hx-post" in a
            self.form = Shown(a.get("action") or a.get("hx-post") or "", "POST" if posts else "GET")
            self.found.append(self.form)
        elif form is None or "disabled" in a:
            return
        elif tag == "input" and name:
            kind = (a.get("type") or "").lower()
            if kind != "hidden":
                form.asked.add(name)
            if kind in TEXTS:
                form.fields[name] = value or ""
            elif kind in ("checkbox", "radio"):
                form.lists.add(name)
                form.choices.setdefault(name, []).append("on" if value is None else value)
                if kind == "checkbox":
                    form.ticks.add(name)
                if "checked" in a:
                    form.fields[name] = "on" if value is None else value
        elif tag == "select" and name:
            self.select = name
            form.asked.add(name)
            form.lists.add(name)
        elif tag == "option" and self.select:
            self.option, self.text = value, ""
            form.choices.setdefault(self.select, []).append(value or "")
            if "selected" in a or self.select not in form.fields:
                form.fields[self.select] = value or ""
        elif tag == "button" and (a.get("type") or "submit") == "submit":
            form.buttons.append((name, value or ""))
        elif tag == "textarea" and name:
            form.asked.add(name)
            self.select, self.option, self.text = "", None, ""
            form.fields[name] = ""
            self._into = name

    def handle_data(self, data):
        self.text += data

    def handle_endtag(self, tag):
        if tag == "form":
            self.form = None
        elif tag == "select":
            self.select = ""
        elif tag == "textarea" and self.form is not None:
            self.form.fields[self._into] = self.text.removeprefix("\n")


def forms(html: str, *, asking: bool = False) -> list[Shown]:
    """The forms of a page that send something in, in its order; with those that only ask for another page, too."""
    reader = _Reader()
    reader.feed(html)
    return [form for form in reader.found if asking or form.method == "POST"]
