<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Ways into maps without an account. */
    public function up(): void
    {
        Schema::create('viewing_links', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('map_id', 26);
            // Whoever knows the address may look, so it is kept sealed, and found by its hash.
            $table->char('hash', 64)->unique();
            $table->text('address');
            $table->char('topic', 26)->nullable();
            $table->unsignedBigInteger('until')->nullable();
            $table->string('password', 100)->nullable();
            $table->boolean('notes');
            $table->boolean('files');
            $table->boolean('copying');
            $table->unsignedBigInteger('views')->default(0);
            $table->unsignedBigInteger('last')->nullable();
            $table->unsignedBigInteger('made');
            $table->index('map_id');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('viewing_links');
    }
};
