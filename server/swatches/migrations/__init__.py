"""Steps of the database of the swatch book."""
