<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** What stands in fields, and who does what, is found too: maps that are there already are taken in again when something is asked for. */
    public function up(): void
    {
        DB::table('maps')->update(['indexed_seq' => null]);
    }

    public function down(): void
    {
    }
};
