"""Words in a face: shaped, set in lines or along an arc, and sized."""
