<?php

declare(strict_types=1);

use ChalkTree\Kind\Kind;
use ChalkTree\Kind\ShippedKinds;

it('numbers the kinds that ship as they are in the browser', function () {
    preg_match_all("/^    '(\w{26})',$/m", (string) file_get_contents(__DIR__.'/../../resources/ts/facts/shipped.ts'), $m);
    $kinds = array_values(array_filter(ShippedKinds::rows(), fn ($row): bool => $row instanceof Kind));
    expect($m[1])->toBe(array_map(fn (Kind $kind): string => $kind->id, $kinds));
});
