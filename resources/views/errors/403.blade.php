@include('errors.page', ['title' => 'Not for you', 'say' => 'This takes somebody else, or another role.'])
