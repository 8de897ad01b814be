<!doctype html>
<html lang="en" data-theme="fieldbook">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Welkion</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <script src="/theme.js"></script>
    @viteReactRefresh
    @vite(['resources/css/app.css', 'resources/js/main.tsx'])
</head>
<body>
    <div id="app"></div>
    <noscript>Welkion draws its pages with JavaScript. Please switch it on for this address.</noscript>
</body>
</html>
