<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('named_versions', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->unsignedBigInteger('seq');
            $table->string('name', 100);
            $table->timestamp('named_at', 3);
            $table->unique(['map_id', 'seq']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('named_versions');
    }
};
