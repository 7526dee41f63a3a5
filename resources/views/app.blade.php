<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Chalk Tree</title>
    <link rel="icon" type="image/svg+xml" href="/mark.svg">
    <style>{!! $colours !!}</style>
    <script type="application/json" id="looks">{!! $looks !!}</script>
    <script type="application/json" id="bounds">{!! $bounds !!}</script>
    @vite('resources/ts/main.ts')
</head>
<body>
    <div id="app"></div>
    <p id="polite" class="unseen" role="status"></p>
    <p id="urgent" class="unseen" role="alert"></p>
    <noscript>Chalk Tree draws maps in the browser, so it needs JavaScript.</noscript>
</body>
</html>
