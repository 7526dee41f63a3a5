<?php

declare(strict_types=1);

return [
    // A demo installation has a demo person whose library one button opens, for callers from this machine only.
    'demo' => (bool) env('CHALK_DEMO', false),

    // The same for everyone who can reach the server: they all share that library. Never with maps that matter.
    'demo_anywhere' => (bool) env('CHALK_DEMO_ANYWHERE', false),

    // That the server listens on a loopback address only; bin/start says so. Letters are shown in the browser then.
    'loopback' => (bool) env('CHALK_LOOPBACK', false),

    // Addresses of proxies whose word on where a request comes from is taken, with commas between; * for any.
    'trusted_proxies' => env('CHALK_TRUSTED_PROXIES'),

    // The origin of the small site that stands in for pages of the network in the demo and in tests, as http://127.0.0.1:8001; none if empty.
    'stand_in' => (string) env('CHALK_STAND_IN', ''),

    'files' => [
        // Bytes of one file, and of all files and pictures in one person's maps together, those in the trash too.
        'largest' => (int) env('CHALK_LARGEST_FILE', 200 * 1024 * 1024),
        'each' => (int) env('CHALK_FILES_EACH', 2 * 1024 * 1024 * 1024),
        // Whether the server in front sends files itself, once it is told which; bin/serve says so.
        'handed' => (bool) env('CHALK_HANDED_FILES', false),
    ],

    // The identity provider of an organisation (OpenID Connect), by which people sign in besides; none if the issuer is empty. It is to know {APP_URL}/api/openid/back.
    'openid' => [
        'issuer' => (string) env('CHALK_OPENID_ISSUER', ''),
        'client' => (string) env('CHALK_OPENID_CLIENT', ''),
        'secret' => (string) env('CHALK_OPENID_SECRET', ''),
        'name' => (string) env('CHALK_OPENID_NAME', 'your organisation'),
    ],

    'demo_email' => 'wren@saltmere.example',

    // Whether browsers keep what is opened, so that it opens without a network. Not where many people share one device.
    'offline' => (bool) env('CHALK_OFFLINE', true),

    // Bounds on how often somebody may ask; off for measuring and for tests that ask very often.
    'limits' => (bool) env('CHALK_LIMITS', true),

    // Seconds after which an answer on all maps is given with what was found until then; the browser asks for the rest.
    'patience' => (float) env('CHALK_PATIENCE', 0.08),

    // Where web servers take what is to be told to open maps: a socket, or addresses with commas between, as 10.0.0.4:8001; none if
    // empty. bin/serve says so, and has it there.
    'live' => (string) env('CHALK_LIVE', file_exists(storage_path('server/live.sock')) ? storage_path('server/live.sock') : ''),

    // Where the web server notes down which published pages it sent; none if empty. bin/serve says so.
    'page_notes' => (string) env('CHALK_PAGE_NOTES', ''),

    // Whether files of published pages are kept where the web server sends them from by itself; else they are kept where all servers
    // keep what they share.
    'page_files' => (bool) env('CHALK_PAGE_FILES', true),

    // Where copies of all that is kept are put every night: another disk, better another machine's; none are made if empty.
    'backups' => (string) env('CHALK_BACKUPS', storage_path('backups')),

    // Whether a line is noted of each request.
    'log_requests' => (bool) env('CHALK_LOG_REQUESTS', false),

    // Milliseconds that every edit request waits, to see how the interface does on a slow connection.
    'delay' => (int) env('CHALK_DELAY', 0),

    // Tells in a header how much memory a request took, for bench/.
    'measure' => (bool) env('CHALK_MEASURE', false),
];
