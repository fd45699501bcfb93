<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width,initial-scale=1">
    <title>Fall Bend: {{ $title }}</title>
</head>
<body>
    <h1>{{ $title }}</h1>
    <p>{{ $say }}</p>
    @isset($noted)
    <p>It is noted on the server as <code>{{ $noted }}</code>.</p>
    @endisset
    <p><a href="/">To the jobs</a></p>
</body>
</html>
