"""Alterations: functions from patterns to patterns that keep edge names, and say what they touched."""
