<?php

declare(strict_types=1);

use Tests\Support\HttpTestCase;

pest()->extend(HttpTestCase::class)->in('Feature');
