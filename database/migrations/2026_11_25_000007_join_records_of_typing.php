<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Of a record that stands for several: the number of the first of them.
        Schema::table('edits', fn (Blueprint $table) => $table->unsignedBigInteger('first_seq')->nullable());
    }

    public function down(): void
    {
        // Those it stands for say nothing any more, and count as edits that changed nothing.
        DB::table('edits')->where('kind', 'joined')->update(['kind' => 'none']);
        Schema::table('edits', fn (Blueprint $table) => $table->dropColumn('first_seq'));
    }
};
