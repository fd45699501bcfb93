<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width,initial-scale=1">
    <title>Fall Bend: nothing here</title>
</head>
<body>
    <h1>There is nothing here</h1>
    <p><a href="/">To the jobs</a></p>
</body>
</html>
