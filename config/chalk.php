<?php

declare(strict_types=1);

return [
    // A demo installation has a demo person whose library one button opens, and shows its mail outbox to everyone.
    'demo' => (bool) env('CHALK_DEMO', false),
    'demo_email' => 'wren@saltmere.example',

    // Milliseconds that every edit request waits, to see how the interface does on a slow connection.
    'delay' => (int) env('CHALK_DELAY', 0),

    // Tells in a header how much memory a request took, for bench/.
    'measure' => (bool) env('CHALK_MEASURE', false),
];
