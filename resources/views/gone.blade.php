<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>Nothing here</title>
<style>body{margin:0;min-height:100vh;display:grid;place-content:center;padding:24px;box-sizing:border-box;background:#f6f1e7;color:#2a2e33;font:17px/1.5 "Atkinson Hyperlegible",Verdana,sans-serif;text-align:center}h1{font-size:24px;margin:0 0 8px}p{margin:0;max-width:28em}</style>
</head>
<body>
<h1>There is nothing at this address</h1>
<p>The page was withdrawn, or the address was not copied whole. Whoever gave it to you knows more.</p>
</body>
</html>
