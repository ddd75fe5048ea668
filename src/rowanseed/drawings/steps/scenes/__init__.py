"""Sections by technique, a chapter a file: each module's `SCENES` are frames by the word of the technique.

A frame is a section and the steps it is shown at, by the first word of their ids, by their bench or their act
(`act:join`); the last frame of a technique, which names none, is the thing when it is done and is shown wherever no
other is. Proportions are schematic; what lies on what, which side is out and where the stitching runs is common
practice, no source.
"""
