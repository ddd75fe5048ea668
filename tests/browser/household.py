"""What a sewist does before she plans: measures, brings a pattern, puts a cloth on the shelf, starts a project."""

from playwright.sync_api import expect

from rowanseed.formats.pattern_json import write_pattern


def measure(page, url, name, **figures):
    """A person, with figures by the first word of their measure."""
    page.goto(f"{url}/people/new")
    page.get_by_label("Name").fill(name)
    for label, figure in figures.items():
        page.get_by_label(label.capitalize(), exact=True).fill(figure)
    page.get_by_role("button", name="Keep").click()


def bring(page, url, name, content):
    """A file: a pattern document or a drawing."""
    page.goto(f"{url}/patterns/new")
    page.get_by_label("A drawing").set_input_files({"name": name, "mimeType": "text/plain", "buffer": content})
    page.get_by_role("button", name="Bring it").click()


def bring_pattern(page, url, pattern):
    bring(page, url, "pattern.json", write_pattern(pattern).encode())


def add_cloth(page, url, name, width, length, *, one_way=False, shrinks="5", use=None):
    page.goto(f"{url}/cloths/new")
    page.get_by_label("Name").fill(name)
    page.get_by_label("Width needed").fill(width)
    page.get_by_label("Length in hand").fill(length)
    page.get_by_label("Shrinks along").fill(shrinks)
    if use is not None:
        page.get_by_label("Meant for").select_option(label=use)
    if one_way:
        page.get_by_label("One-way").check()
    page.get_by_role("button", name="Keep").click()


def start(page, url, person, cloth=None):
    """A project with the first pattern."""
    page.goto(f"{url}/projects/new?pattern=1")
    page.get_by_label("For whom").select_option(person)
    if cloth is not None:
        page.get_by_label("Cloth", exact=True).select_option(cloth)
    page.get_by_role("button", name="Start").click()


def settled(page):
    """Everything is there, what had to be laid out first too; the page loads anew after each round of searches."""
    page.wait_for_load_state("load")
    expect(page.locator(".waiting")).to_have_count(0, timeout=120_000)
