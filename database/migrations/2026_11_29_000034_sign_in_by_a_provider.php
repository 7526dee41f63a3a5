<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Whom an identity provider means: SHA-256 of what it is called and whom it names. */
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->char('openid', 64)->nullable()->unique();
        });
    }

    public function down(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->dropUnique(['openid']);
            $table->dropColumn('openid');
        });
    }
};
