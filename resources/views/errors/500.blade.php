@include('errors.page', ['title' => 'Something went wrong on the server', 'say' => 'What you typed is kept in this browser.', 'noted' => App\Http\RequestId::current()])
