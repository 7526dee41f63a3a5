<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Maps at lasting addresses that need no account. */
    public function up(): void
    {
        Schema::create('published_pages', function (Blueprint $table): void {
            $table->string('id', 26)->primary();
            $table->string('map_id', 26);
            $table->string('address', 24)->unique();
            $table->string('topic', 26)->nullable();
            $table->string('name', 120);
            $table->json('choices');
            $table->longText('frozen')->nullable();
            $table->unsignedBigInteger('views')->default(0);
            $table->unsignedBigInteger('made');
            $table->unsignedBigInteger('renewed');
            $table->unsignedInteger('version')->default(0);
            $table->index('map_id');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('published_pages');
    }
};
