<!DOCTYPE html>
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="generator" content="Chalk Tree">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; script-src 'unsafe-inline'; style-src 'unsafe-inline'; font-src data:; img-src data: blob:; media-src data: blob:; frame-src data: https: http:">
<title>{{ $title }}</title>
<style>:root{color-scheme:{{ $isDark ? 'dark' : 'light' }};{!! $colours !!}}{!! $fonts !!}{!! $faces !!}{!! file_get_contents(resource_path('ts/slides/show.css')) !!}
body{margin:0;background:var(--board);color:var(--ink);font:17px/1.5 "Atkinson Hyperlegible",sans-serif}
.unseen{position:fixed;width:1px;height:1px;overflow:hidden;clip-path:inset(50%);margin:0}
#first{max-width:44rem;margin:0 auto;padding:12vh 24px 60px}#first h1{font-size:2rem;line-height:1.2;margin:0 0 1.2rem;padding-bottom:.7rem;border-bottom:3px solid var(--tide)}
#first ol{padding-left:1.6em}#first li{margin:.2em 0}#first li button{border:0;background:none;font:inherit;color:var(--link);padding:2px 4px;cursor:pointer;text-align:left}
#begin{font:inherit;font-weight:700;color:var(--plate-ink);background:var(--plate);border:0;border-radius:8px;padding:9px 20px;cursor:pointer}#first p{color:var(--soft)}
</style>
</head>
<body>
<div id="first">
<h1>{{ $title }}</h1>
<button id="begin" type="button">Show the slides</button>
<p>On: Space or →. Back: ←. Topics of a slide: ↓ and ↑. Speaker’s window: S. End: Escape.</p>
<ol id="slides"></ol>
<p id="left" hidden></p>
<noscript><p>The slides are drawn by a script, which does not run here.</p></noscript>
</div>
<script type="application/json" id="deck">{!! $data !!}</script>
<script>{!! $script !!}</script>
</body>
</html>
