"""Drawings: functions that take records of the core and return SVG text, to scale, styled in themselves.

They stand on their own floor because both the pages and the command line show them. Screens have y
down and the cloth has y up, so every drawing of cloth turns y over: the fold lies nearest the cutter.
"""
