<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width,initial-scale=1">
    <title>Fall Bend: something went wrong</title>
</head>
<body>
    <h1>Something went wrong on the server</h1>
    <p>It is noted there as <code>{{ App\Http\RequestId::current() }}</code>. What you typed is kept in this browser.</p>
    <p><a href="/">Try again</a></p>
</body>
</html>
