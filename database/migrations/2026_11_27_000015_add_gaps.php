<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Topics that stand as gaps in a worksheet. */
    public function up(): void
    {
        Schema::table('hand_overs', fn (Blueprint $table) => $table->longText('gaps')->default(''));
    }

    public function down(): void
    {
        Schema::table('hand_overs', fn (Blueprint $table) => $table->dropColumn('gaps'));
    }
};
