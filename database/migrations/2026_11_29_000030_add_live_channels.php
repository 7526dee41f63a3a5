<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What is told of maps while they are open: one channel for each map, set of rights and view. */
    public function up(): void
    {
        Schema::create('live_channels', function (Blueprint $table): void {
            $table->char('name', 32)->primary();
            $table->char('map_id', 26);
            $table->string('kind', 8);
            $table->text('look');
            $table->string('face', 40)->nullable();
            $table->string('today', 10);
            $table->unsignedBigInteger('seq');
            $table->char('access', 32);
            $table->unsignedBigInteger('opened');
            $table->index('map_id');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('live_channels');
    }
};
