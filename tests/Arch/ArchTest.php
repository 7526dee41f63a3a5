<?php

declare(strict_types=1);

arch('the core knows no framework and no application')
    ->expect('ChalkTree')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Carbon', 'Eloquent', 'DB', 'env', 'config', 'app', 'request', 'PDO']);

arch('every file is strict')->expect(['ChalkTree', 'App'])->toUseStrictTypes();

arch('classes of the core are final unless made to be extended')
    ->expect('ChalkTree')->classes()->toBeFinal()->ignoring([ChalkTree\Refusal::class, ChalkTree\Map\FeatureRow::class]);

arch('rooms of the core keep to what stands below them')
    ->expect('ChalkTree\Text')->not->toUse(['ChalkTree\Arrange', 'ChalkTree\Edit', 'ChalkTree\Exchange', 'ChalkTree\Draw', 'ChalkTree\Map']);

arch('nothing is left behind from looking for mistakes')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'die', 'eval', 'exec', 'shell_exec', 'system', 'passthru'])->not->toBeUsed();

arch('controllers answer and leave the work to others')
    ->expect('App\Http\Controllers')->not->toUse('Illuminate\Database\Eloquent\Builder');
