"""Take the current pictures of every main view from the demo household into docs/screenshots."""

from __future__ import annotations

from pathlib import Path

from playwright.sync_api import expect, sync_playwright
from tests.browser.conftest import ARGUMENTS, CHROMIUM, Server

OUT = Path(__file__).parent.parent / "docs" / "screenshots"
VIEWS = {
    "shelf": "/",
    "fit": "/projects/4/fit",
    "fit-alter": "/projects/4/fit/alter",
    "cloth": "/projects/4/cloth",
    "cloth-short": "/projects/5/cloth/short?role=main",
    "lay": "/projects/1/lay",
    "lay-table": "/projects/1/lay/table",
    "lay-sewn": "/projects/4/lay/sewn",
    "print": "/projects/4/print",
    "cut": "/projects/2/cut",
    "sew": "/projects/1/sew?step=sew-side-seams",
    "machine": "/projects/1/machine?step=zip-zip",
    "sew-ways": "/projects/1/sew/ways?part=front-seams&technique=french",
    "keep": "/projects/1/keep",
    "describe": "/patterns/5/describe",
    "tissue": "/patterns/5/tissue",
}
ON_A_PHONE = {
    "phone-cut": "/projects/2/cut/steps",
    "phone-measure": "/people/3/measure?project=6",
    "phone-sew": "/projects/1/sew?step=sew-side-seams",
}


def main() -> None:
    server = Server("--demo")
    try:
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
            # What its seams look like sewn is known once its layouts are.
            browser.new_page().goto(f"{server.url}/projects/4/lay/worked-out", timeout=120_000)
            # What is left of the first project's cloth is on the shelf when the shelf is shown.
            page = browser.new_page()
            page.goto(f"{server.url}/projects/1/cut")
            page.click("#keep-left-main")
            expect(page.locator("#put-back-main")).to_be_visible()
            for views, width, height in ((VIEWS, 1280, 800), (ON_A_PHONE, 390, 844)):
                page = browser.new_page(viewport={"width": width, "height": height})
                for name, path in views.items():
                    page.goto(server.url + path)
                    page.wait_for_load_state("load")
                    expect(page.locator(".waiting")).to_have_count(0, timeout=120_000)
                    page.wait_for_timeout(300)
                    page.screenshot(path=OUT / f"{name}.png")
            browser.close()
    finally:
        server.stop()


if __name__ == "__main__":
    main()
