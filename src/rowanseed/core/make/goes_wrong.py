"""What usually goes wrong at a step: by the kind of work, and by technique where that has its own.

Common practice, no source.
"""

from __future__ import annotations

from rowanseed.core.make.operation import Act, Operation

BY_TECHNIQUE: dict[str, str] = {
    "invisible zip": "The row strays onto the coil and the zip jams, or runs beside it and the tape shows: sew slowly, "
    "the coil rolled away from the needle.",
    "centred zip": "The rows run in at the bottom because the slider was in the way: stop with the needle down, "
    "lift the "
    "foot, pull the slider past.",
    "lapped zip": "The lap does not reach over the first row: the underlap was folded on the seam line instead of "
    "beyond it.",
    "button fly": "The topstitching catches a buttonhole: chalk its line clear of their ends first.",
    "fly zip": "The topstitching catches the underlap: fold it out of the way, and only then sew the curve.",
    "set-in sleeve": "A tuck of the cap is caught at the back, or left and right are changed: the double notch is "
    "the back.",
    "sleeve in the flat": "The cap is pulled short: the sleeve lies underneath, on the feed dogs, and eases itself in.",
    "French seam": "Threads of the first row stick out of the second: trim evenly, then press the row exactly on "
    "the fold.",
    "flat-felled seam": "Both sides do not face the same way: decide once to which side all fells lie.",
    "bias binding": "The inner edge is not caught everywhere: pin from the right side, the far fold just past the "
    "stitching.",
    "shaped facing": "It rolls out again because it was not understitched to its very ends.",
    "darts": "A dimple at the point: the last stitches have to run along the fold, without backstitch; knot the "
    "threads.",
    "gathers": "The gathers bunch: even them out with a pin between the quarter marks before anything is sewn.",
    "shirring": "The bobbin was wound by machine, too tight: wind elastic thread by hand, hardly stretched.",
    "shirring by hand": "One row is drawn in more than the next: measure each against the first before it is knotted.",
    "elastic catch-stitched": "A stitch went through the elastic, and the fullness cannot pass it: take it out.",
    "patch pocket": "One corner lies higher: mark both upper corners on the garment and pin the corners first.",
    "welt pocket": "The corners pucker: they were not cut to the last thread, or one row is longer than the other.",
    "band": "The ends do not meet level: pin the closed zip's edges first, then the band between.",
    "collar with stand": "One end of the stand is rounder: draw the curve from one template on both ends before you "
    "sew.",
    "turned collar": "The points are blunt because the corner was sewn sharp: take one stitch across it.",
    "lining edge to edge": "The lining peeps out: it was not understitched, or was not held back a hair when it was "
    "pressed.",
    "bagged lining": "The lining pulls at the hem: without a fold of ease it is shorter than the shell.",
    "turned hem": "Ripples along the hem: the edge was stretched; ease it in with a steam iron before it is stitched.",
    "blind hem by machine": "Bites show outside: the needle should only just nip the fold; try it on a scrap first.",
    "buttonholes": "The hole is a little short, or the feed stops at thick places: sew one on the same layers first.",
    "elastic zigzagged on": "The elastic runs out before the edge does: quarter both, and stretch between the "
    "quarters only.",
    "casing": "The elastic twists in the tunnel: draw it in with a flat bodkin and lay it flat before the ends are "
    "sewn.",
    "continuous placket": "A pleat at the end of the slash: spread it straight so that the last threads lie in the "
    "stitching.",
    "inset corner": "A hole or a pleat in the corner: clip to the last thread, and stop exactly on the dot.",
    "staystitching": "Sewn too late: the edge has already stretched. Check it against the tissue.",
    "fusing": "Bubbles: the iron was slid, or was too short on a place. Press again with a damp cloth.",
}

BY_ACT: dict[Act, str] = {
    Act.FUSE: BY_TECHNIQUE["fusing"],
    Act.JOIN: "Both ends do not come out even: the upper layer was pushed. Pin the ends and notches first, then "
    "between.",
    Act.NEATEN: "Cloth is cut off with the fraying: then the allowance is no longer what it was. Let the knife only "
    "trim.",
    Act.PRESS: "A shine or the ridge of the allowance shows outside: press from the wrong side, with a strip under "
    "the edge.",
    Act.TRIM: "Cut through the stitching: hold the layers apart, and cut away from it.",
    Act.CLIP: "Clipped too little, it puckers; clipped through the stitching, it frays out: stop a thread or two "
    "before it.",
    Act.UNDERSTITCH: "It catches the garment: hold everything but facing and allowances to the other side.",
    Act.TOPSTITCH: "The row wavers: look at the guide beside the foot, not at the needle.",
    Act.BASTE: "It is taken out before the seam is checked: look first, then draw it.",
    Act.GATHER: BY_TECHNIQUE["gathers"],
    Act.DART: BY_TECHNIQUE["darts"],
    Act.HEM: BY_TECHNIQUE["turned hem"],
    Act.TURN: "The corner is pushed through: use something blunt, and draw the point out with a needle from outside.",
    Act.BUTTON: "No shank: the buttoned edge puckers. Lay a match under the thread while you sew.",
    Act.CUT: "Cut before it was marked: once cut, nothing is left to line up by.",
    Act.TRY_ON: "Pinned on one side only: bodies differ, but pin what you change on both and look again.",
    Act.LINE: "Shell and lining are joined at opposite sides: lay them as they will be worn before you pin.",
    Act.FACE: "Facing and edge end differently: match seam on seam first, and sew from there.",
    Act.BAND: BY_TECHNIQUE["band"],
    Act.ATTACH: "It sits crooked: mark its place on both sides of the body and measure from the centre.",
    Act.FOLD: "The folds drift: each is measured from the marked line, not from the fold before it.",
}


OTHERWISE: dict[Act, str] = {
    Act.SAMPLE: "The scrap lies on another grain, or is one layer where the seam has two: then it tells nothing.",
    Act.LEVEL: "Cut by one side alone: chalk both, fold the garment in half, and compare before anything is cut off.",
    Act.MARK: "Only one side is marked: put pins through both layers, and mark the other from them.",
    Act.REMOVE: "Drawn out by its long end a row gathers the cloth: snip it every few stitches first.",
    Act.FINISH: "What shows most gets a shine: press through a cloth, and from the wrong side where it can be.",
    Act.BACK: "The backing is as large as the cloth, and bags: smooth both over the edge of the table first.",
    Act.STAY: "The tape was stretched or eased as it was sewn: cut it to the finished length, and meet the marks.",
    Act.EASE: "Gathers show in the seam: draw it up only until the edge cups, and steam the fullness in over a ham.",
    Act.HANG: "It hangs folded over a bar, and drops where it will not when it is worn: hang it as it is worn.",
    Act.BIND: BY_TECHNIQUE["bias binding"],
    Act.TACK: "Drawn tight it dimples outside: leave the stitches loose, and catch the allowances only.",
    Act.FASTEN: "It sits back from the edge, and the opening gapes: close it, pin, and mark the other half from there.",
    Act.INSERT_CLOSURE: "One side is drawn longer than the other: sew both from the same end.",
    Act.CLOSE: "The stitches show as little bars: each one begins opposite the end of the one before.",
    Act.BUTTONHOLE: BY_TECHNIQUE["buttonholes"],
    Act.BONE: "The bone fills its channel and pokes through: cut it short of both seams, and round its ends.",
    Act.PIPE: "The cord shows unevenly: sew against it with the zip foot, the first row a little farther from it.",
    Act.SHIRR: BY_TECHNIQUE["shirring"],
    Act.PAD: "It is seen from outside: set its straight edge just past the armhole's seam, and try it on.",
    Act.SET: "The needle, the foot or the tension of the work before is left in: look at all of them.",
    Act.SET_BACK: "The special setting is left in for the next seam: sew a hand's breadth on a scrap first.",
}
"""Where neither the technique nor the kind of work has its own."""


def usually(op: Operation) -> str:
    """What usually goes wrong at a step; empty where nothing is known of it."""
    own, of_kind = BY_TECHNIQUE.get(op.technique, ""), BY_ACT.get(op.act, "")
    found = own or of_kind if op.act.sews_join or not of_kind else of_kind
    return found or OTHERWISE.get(op.act, "")
