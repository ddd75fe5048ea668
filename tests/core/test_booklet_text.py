"""A booklet's sentences, as booklets word them, found again in the garment: the sentences are from memory."""

import pytest

from rowanseed.core.make.booklet_text import match_steps
from tests.core.everyday import everyday

SAID = {
    "blouse": {
        "Sew bust darts in fronts. Press down.": {"darts of the front"},
        "Stitch fronts to yoke at shoulders.": {"Shoulder seams"},
        "Sew stands to collar.": {"Collar to stand"},
        "Sew stand to neck edge.": {"Stand to neck"},
        "Bind slash in sleeve with strip.": {"Sleeve plackets"},
        "Set in sleeves.": {"Sleeves into armholes"},
        "Stitch side and underarm seams in one.": {"Side seams", "Sleeve seams"},
        "Sew cuff to sleeve.": {"Cuffs to sleeves"},
        "Make narrow hem.": {"Hem"},
    },
    "pencil skirt": {
        "Stitch darts in front and back. Press toward centre.": {"darts of the front", "darts of the back"},
        "Stitch centre back seam below notch. Insert invisible zipper.": {"Centre back seam", "invisible zip"},
        "Attach waistband.": {"Waistband to waist", "Inside of the waistband"},
        "Hem skirt and lining. Sew hook and eye.": {"Hem", "hook and eye"},
    },
    "princess dress": {
        "Stitch side front to front, matching notches. Clip curves.": {"Princess seams, front"},
        "Stitch side back to back.": {"Princess seams, back"},
        "Install invisible zipper in centre back opening.": {"invisible zip"},
        "Sew front and back neck facings together at shoulders.": {"Neck facing, shoulder seams"},
        "Pin facing to neck edge. Stitch. Understitch. Tack to zipper tape and shoulder seams.": {"Facing to neck"},
        "Face armholes.": {"Facing to armholes"},
        "Stitch side seams.": {"Side seams"},
    },
    "jeans": {
        "Make back patch pockets. Topstitch to back.": {"Edges of the pocket"},
        "Sew front pockets: facing to front, then the pocket bags.": {"Round the pocket bags"},
        "Sew crotch seam at back.": {"Centre back seam"},
        "Stitch inseams.": {"Inner leg seams"},
    },
    "t-shirt": {
        "Sew neckband into ring, fold, stretch onto neckline.": {
            "Neck band to the neck",
            "Ends of the neck band",
            "Inner edge of the neck band",
        },
        "Hem sleeves and bottom with twin needle.": {"Sleeve ends", "Hem"},
    },
    "puff-sleeved dress": {
        "Gather sleeve cap between notches.": {"fullness of the seam “Sleeves into armholes”"},
        "Bind lower sleeve with bias strip.": {"Sleeve ends"},
        "Gather skirt and sew to bodice at waist.": {"fullness of the seam “Waist seam”", "Waist seam"},
    },
}
ONLY = {
    "Stitch darts in front and back. Press toward centre.",
    "Stitch side front to front, matching notches. Clip curves.",
}
"""Steps that speak of nothing else, however near it sounds."""


@pytest.mark.parametrize("name", SAID)
def test_what_a_booklet_says_is_found_in_the_garment(name):
    found = {one.text: set(one.said) for one in match_steps(everyday(name), list(SAID[name]))}
    missed = {text: said - found[text] for text, said in SAID[name].items() if said - found[text]}
    assert not missed
    assert all(found[text] == said for text, said in SAID[name].items() if text in ONLY)


def test_interfacing_several_parts_sews_none_of_them():
    (step,) = match_steps(everyday("blazer"), ["Apply interfacing to fronts, facings, upper collar."])
    assert all(id.startswith("stiffen:") for id in step.about)
