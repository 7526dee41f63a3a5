<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** In which time zone a person lives, for what is due and when they are told. */
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->string('zone', 64)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->dropColumn('zone');
        });
    }
};
