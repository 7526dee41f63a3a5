<!DOCTYPE html>
<html lang="en"@if ($frame !== null) data-board="{{ $frame->theme->value }}"@endif>
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Chalk Tree</title>
    <link rel="icon" type="image/svg+xml" href="/mark.svg">
    <style>{!! $colours !!}</style>
    <script type="application/json" id="bounds">{!! $bounds !!}</script>
    @vite('resources/ts/main.ts')
</head>
<body>
    <div id="app"></div>
    @if ($picture !== null && $frame?->board !== null)
    <style>
        @media not all and (width: {{ $frame->board['window'][0] }}px) and (height: {{ $frame->board['window'][1] }}px) { #first-picture { display: none } }
        #first-picture { position: fixed; z-index: 1; left: {{ $frame->board['x'] }}px; top: {{ $frame->board['y'] }}px; width: {{ $frame->board['w'] }}px; height: {{ $frame->board['h'] }}px; overflow: hidden; background: var(--board); box-shadow: 0 0 0 1px var(--edge), 0 0 0 100vmax var(--slip); pointer-events: none }
        #first-picture text { font-family: 'Atkinson Hyperlegible', sans-serif; font-kerning: none; font-variant-ligatures: none; white-space: pre }
    </style>
    <div id="first-picture" aria-hidden="true" inert>{!! $picture !!}</div>
    @endif
    <p id="polite" class="unseen" role="status"></p>
    <p id="urgent" class="unseen" role="alert"></p>
    <noscript>Chalk Tree draws maps in the browser, so it needs JavaScript.</noscript>
</body>
</html>
