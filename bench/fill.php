<?php

declare(strict_types=1);

/*
 * Fills the database of the servers that are measured: people, maps of the sizes that are asked for, and who may edit
 * which. bench/load runs it.
 */

use App\Models\Person;
use App\Models\Share;
use App\Sharing\Role;
use App\Store\MapStore;
use Bench\Tree;
use ChalkTree\Map\Ids;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Hash;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[$people, $maps, $sizes] = [(int) $argv[1], (int) $argv[2], (array) json_decode($argv[3], true)];
$password = Hash::make('a long password');
for ($n = 0; $n < $people; $n++) {
    Person::query()->firstOrCreate(['email' => "person{$n}@saltmere.example"], ['name' => "Person {$n}", 'password' => $password]);
}
$owner = Person::query()->where('email', 'person0@saltmere.example')->firstOrFail();
$ids = [];
$of = array_merge(...array_map(fn (array $one): array => array_fill(0, (int) $one[1], (int) $one[0]), $sizes));
for ($n = 0; $n < $maps; $n++) {
    // As many of each size in every hundred, and no two of one size.
    $size = $of[$n * 37 % 100] + $n % 40;
    $ids[] = app(MapStore::class)->create($owner, Tree::of($size, $n))->id;
}
for ($n = 0; $n < $people; $n++) {
    foreach ([0, 1, 2] as $k) {
        Share::query()->create(['id' => Ids::next(), 'owner_id' => $owner->id, 'map_id' => $ids[($n * 3 + $k * 101) % $maps], 'email' => "person{$n}@saltmere.example", 'role' => Role::Edit, 'made' => time()]);
    }
}
