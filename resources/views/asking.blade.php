<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>A password is asked for</title>
<style>body{margin:0;min-height:100vh;display:grid;place-content:center;padding:24px;box-sizing:border-box;background:#f6f1e7;color:#2a2e33;font:17px/1.5 "Atkinson Hyperlegible",Verdana,sans-serif}main{background:#fdfaf3;border:1px solid #d8cfbd;border-left:6px solid #2b7f86;border-radius:10px;padding:24px 28px;width:min(380px,calc(100vw - 80px))}h1{font-size:22px;margin:0 0 6px}p{margin:0 0 12px}label{display:block;font-weight:700;margin-bottom:4px}input{width:100%;box-sizing:border-box;font:inherit;padding:7px 9px;border:1px solid #8a8170;border-radius:6px;background:#fff;color:inherit}button{margin-top:12px;font:inherit;font-weight:700;padding:7px 18px;border:0;border-radius:7px;background:#276b71;color:#fff;cursor:pointer}:focus-visible{outline:3px solid #2b7f86;outline-offset:2px}.problem{border-left:3px solid #b5462f;padding-left:9px}</style>
</head>
<body>
<main>
<h1>This map asks for a password</h1>
<p>Whoever gave you the address knows it.</p>
@if ($problem !== null)<p class="problem" role="alert">{{ $problem }}</p>@endif
<form method="post"><label for="password">Password</label><input id="password" name="password" type="password" required maxlength="200" autofocus autocomplete="off"><button>Open</button></form>
</main>
</body>
</html>
