"""Django settings, addresses, and the middleware that rejects large or foreign requests and sets the content security policy."""
