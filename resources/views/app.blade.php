<!doctype html>
<html lang="en" data-mode="paper">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width,initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <meta name="version" content="{{ config('app.version') }}">
    <title>Fall Bend</title>
    <meta name="theme-color" content="#F1EADB">
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/icon-192.png">
    <link rel="manifest" href="/manifest.webmanifest">
    @vite(['resources/js/app/early.ts', 'resources/js/app/main.tsx'])
    @foreach ($preloads as $script)
    <link rel="modulepreload" fetchpriority="low" href="{{ $script }}">
    @endforeach
</head>
<body>
    <div id="app"><p class="waiting first-words">Fall Bend. One moment.</p></div>
    <noscript>Fall Bend needs JavaScript.</noscript>
</body>
</html>
