<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Which files a map may show; what is in them lies in the file system under the same hash, once for all maps.
        Schema::create('pictures', function (Blueprint $table): void {
            $table->string('map_id', 26);
            $table->string('hash', 64);
            $table->string('media', 40);
            $table->unsignedInteger('wide');
            $table->unsignedInteger('high');
            $table->unsignedInteger('bytes');
            $table->primary(['map_id', 'hash']);
            $table->index('hash');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('pictures');
    }
};
