@include('errors.page', ['title' => 'There is nothing here', 'say' => 'What was here is gone, or never was.'])
