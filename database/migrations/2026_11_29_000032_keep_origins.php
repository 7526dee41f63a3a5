<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Of which map a map is a copy, and after which edit it was made. */
    public function up(): void
    {
        Schema::table('maps', function (Blueprint $table): void {
            $table->char('copied_from', 26)->nullable();
            $table->unsignedBigInteger('copied_seq')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn(['copied_from', 'copied_seq']));
    }
};
