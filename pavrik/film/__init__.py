"""Films decoded, tracked and, by a simulated camera, made. The only package that knows OpenCV."""
