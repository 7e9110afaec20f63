"""The rules of the work: facts pinned by a sewist -> a strip -> readings of the strip.

Pure computation: no input or output, no clock, no framework.  The rooms, lowest first:
`errors`, `lengths`, `strip`, `pleats` and `gathers`, `readings`.  Each imports only from those before it.
"""
