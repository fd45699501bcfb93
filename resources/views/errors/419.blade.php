@include('errors.page', ['title' => 'This page is too old', 'say' => 'Open it again: what you typed is kept in this browser.'])
