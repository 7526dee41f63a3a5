<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Which point of the board is in the middle of the window, and how large; null until the map has been looked at.
        Schema::table('views', fn (Blueprint $table) => $table->string('place', 120)->nullable());
    }

    public function down(): void
    {
        Schema::table('views', fn (Blueprint $table) => $table->dropColumn('place'));
    }
};
