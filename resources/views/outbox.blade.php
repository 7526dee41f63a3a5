<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Outbox – Chalk Tree</title>
    <link rel="icon" type="image/svg+xml" href="/mark.svg">
    <style>{!! $colours !!}</style>
    <style>
        body { margin: 0 auto; max-width: 44rem; padding: 2rem 1rem; font: 16px/1.5 'Atkinson Hyperlegible', sans-serif; background: var(--board); color: var(--ink); }
        article { background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 8px; padding: 1rem 1.25rem; margin: 1rem 0; }
        h2 { margin: 0; font-size: 1.05rem; } p { color: var(--soft); margin: .1rem 0 .6rem; } pre { white-space: pre-wrap; overflow-wrap: anywhere; font: inherit; margin: 0; }
        a { color: var(--link); }
    </style>
</head>
<body data-board="day">
    <h1>Outbox</h1>
    <p>This demo sends no mail. What it would send is kept here instead.</p>
    @forelse ($letters as $letter)
        <article>
            <h2>{{ $letter->subject }}</h2>
            <p>To {{ $letter->recipient }}, {{ $letter->sent_at }} UTC</p>
            <pre>{!! preg_replace('~https?://[^\s<]+~', '<a href="$0">$0</a>', e($letter->text)) !!}</pre>
        </article>
    @empty
        <p>No letters yet. Ask for a new password on the sign-in page and one appears here.</p>
    @endforelse
    <p><a href="/">Back to Chalk Tree</a></p>
</body>
</html>
