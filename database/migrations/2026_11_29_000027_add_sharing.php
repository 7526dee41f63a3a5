<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Who may do what with whose maps, who asks to, who wants to hear nothing from whom, and who was in which map when. */
    public function up(): void
    {
        Schema::create('shares', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignId('owner_id')->constrained('people')->cascadeOnDelete();
            $table->char('map_id', 26)->nullable();
            $table->char('folder_id', 26)->nullable();
            // By address, since not everybody has an account yet.
            $table->string('email', 200);
            $table->string('role', 10);
            $table->unsignedBigInteger('made');
            $table->unique(['map_id', 'email']);
            $table->unique(['folder_id', 'email']);
            $table->index(['email', 'owner_id']);
            $table->index('owner_id');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('folder_id')->references('id')->on('folders')->cascadeOnDelete();
        });
        Schema::create('asks', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->unsignedBigInteger('person_id');
            $table->string('words', 400);
            $table->unsignedBigInteger('made');
            $table->unique(['map_id', 'person_id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
        });
        Schema::create('blocks', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->unsignedBigInteger('person_id');
            $table->string('email', 200);
            $table->unique(['person_id', 'email']);
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
        });
        Schema::create('visits', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->unsignedBigInteger('person_id');
            $table->char('day', 10);
            $table->unsignedBigInteger('last');
            $table->unique(['map_id', 'person_id', 'day']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
        });
        Schema::table('maps', function (Blueprint $table): void {
            $table->string('offered_to', 200)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn('offered_to'));
        foreach (['visits', 'blocks', 'asks', 'shares'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
