<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Where notes lead is known across maps from now on. */
return new class extends Migration
{
    public function up(): void
    {
        DB::table('maps')->update(['indexed_seq' => null]);
    }
};
