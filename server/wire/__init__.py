"""The wire: JSON in and out, and problems in one shape."""
