<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What a person chose for their eyes: board, size of the interface, motion.
        Schema::table('people', fn (Blueprint $table) => $table->json('calm')->nullable());
    }

    public function down(): void
    {
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn('calm'));
    }
};
