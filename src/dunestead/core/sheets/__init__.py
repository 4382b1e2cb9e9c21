"""From the mask to sheets: patches the cutter can reach, right side up."""
