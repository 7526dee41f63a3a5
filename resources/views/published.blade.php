<!DOCTYPE html>
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $content->title }}</title>
<meta name="description" content="{{ $description }}">
<meta name="generator" content="Chalk Tree">
@if ($page->way === 'p')
<meta property="og:title" content="{{ $content->title }}">
<meta property="og:type" content="article">
<meta property="og:url" content="{{ $page->url() }}">
<meta property="og:image" content="{{ $page->url('/1200.png') }}">
<meta property="og:image:width" content="{{ $pictureSize[0] }}">
<meta property="og:image:height" content="{{ $pictureSize[1] }}">
<link rel="canonical" href="{{ $page->url() }}">
@else
<meta name="robots" content="noindex">
@endif
<link rel="icon" type="image/svg+xml" href="/mark.svg">
<link rel="preload" as="font" type="font/woff2" crossorigin href="{{ $assets->font('AtkinsonHyperlegible-Regular') }}">
<link rel="preload" as="font" type="font/woff2" crossorigin href="{{ $assets->font('AtkinsonHyperlegible-Bold') }}">
<style>:root{color-scheme:{{ $isDark ? 'dark' : 'light' }};{!! $colours !!}}{!! $assets->faces() !!}{!! $faces !!}{!! file_get_contents(resource_path('ts/page/page.css')) !!}</style>
</head>
<body>
<header><h1>{{ $content->title }}</h1><div class="tools" id="tools" hidden></div></header>
<div class="board" id="board" data-from="{{ $page->path('/board.svg') }}" data-frame="{{ $frame['x'] }} {{ $frame['y'] }} {{ $frame['w'] }} {{ $frame['h'] }}" data-whole="{{ $isWhole ? 1 : 0 }}" style="--ratio:{{ $window['w'] }}/{{ $window['h'] }}">{!! str_replace('preserveAspectRatio="none"', 'preserveAspectRatio="xMidYMid '.($isWhole ? 'meet' : 'slice').'"', $picture) !!}</div>
{{-- Where scripts run, the script puts it there once the drawing is seen; it would take five times as long else. --}}
<main id="outline"><noscript>
{!! $outline !!}
</noscript></main>
@if ($files !== [])<section class="files"><h2>Files</h2><ul>@foreach ($files as $hash => $name)<li><a href="{{ $page->path("/files/{$hash}") }}" dir="auto">{{ $name }}</a></li>@endforeach</ul></section>@endif

<footer><a href="{{ $page->path('/drawing.svg') }}">The drawing by itself</a>@if ($isCopied) · <a href="{{ $page->path('/copy.opml') }}">As an outline (OPML)</a> · <a href="{{ $page->path('/copy.md') }}">As text (Markdown)</a>@endif · made with Chalk Tree</footer>
<script type="module" src="{{ $assets->script() }}"></script>
</body>
</html>
