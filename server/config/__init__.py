"""Settings, addresses and what stands at the door: hosts, request sizes, content security policy."""
