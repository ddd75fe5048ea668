"""What every part of the craft stands on: lengths, figures with their sums, refusals, ids."""
