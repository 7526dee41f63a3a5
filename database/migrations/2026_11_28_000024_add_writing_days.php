<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('writing_days', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->unsignedBigInteger('person_id');
            $table->char('day', 10);
            $table->integer('words');
            $table->unique(['map_id', 'person_id', 'day']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('writing_days');
    }
};
