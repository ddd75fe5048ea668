"""Drawings of the steps of sewing: how the pieces lie, from their real edges, and a section through the layers."""
