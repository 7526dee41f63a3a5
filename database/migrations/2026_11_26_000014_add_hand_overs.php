<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Files that are being made of maps, and those that wait to be fetched. */
    public function up(): void
    {
        Schema::create('hand_overs', function (Blueprint $table): void {
            $table->string('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('map_id', 26);
            $table->string('topic', 26)->nullable();
            $table->string('to', 10);
            $table->string('board', 20);
            $table->json('choices');
            $table->longText('chosen');
            $table->string('state', 10);
            $table->string('words', 100);
            $table->unsignedTinyInteger('percent');
            $table->string('message', 400)->nullable();
            $table->unsignedBigInteger('touched');
            $table->index('person_id');
            $table->index('touched');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('hand_overs');
    }
};
