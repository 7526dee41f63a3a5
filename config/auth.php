<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'people'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'people']],
    'providers' => ['people' => ['driver' => 'eloquent', 'model' => App\Models\Person::class]],
    'passwords' => ['people' => ['provider' => 'people', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60]],
    'password_timeout' => 10800,
];
