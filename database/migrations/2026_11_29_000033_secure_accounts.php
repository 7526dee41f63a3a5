<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Codes besides passwords, and where somebody is signed in. */
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            // Sealed; it holds from the moment at which a code of it was shown.
            $table->text('two_factor')->nullable();
            $table->unsignedBigInteger('two_factor_since')->nullable();
            $table->unsignedBigInteger('two_factor_step')->nullable();
            $table->text('recovery')->nullable();
        });
        Schema::create('sign_ins', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('agent', 200);
            $table->string('ip', 45);
            $table->unsignedBigInteger('began');
            $table->unsignedBigInteger('last');
            $table->index('person_id');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sign_ins');
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn(['two_factor', 'two_factor_since', 'two_factor_step', 'recovery']));
    }
};
