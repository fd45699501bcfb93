@include('errors.page', ['title' => 'The server is away for a moment', 'say' => 'Try again: what you typed is kept in this browser.'])
