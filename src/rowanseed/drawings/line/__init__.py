"""The line drawing of a garment: front and back, laid and drawn from its pieces, with what is sewn onto them."""
