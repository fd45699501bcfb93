@include('errors.page', ['title' => 'Too many tries', 'say' => 'Wait a minute.'])
