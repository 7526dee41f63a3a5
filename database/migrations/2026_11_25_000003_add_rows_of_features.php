<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Whatever features keep of topics; topics themselves have a table of their own.
        Schema::create('map_rows', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->string('type', 40);
            $table->char('id', 26);
            $table->longText('fields');
            $table->primary(['map_id', 'type', 'id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('map_rows');
    }
};
