<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // How often the trash of a map was cleared, which changes what is kept of it and is no edit.
        Schema::table('maps', fn (Blueprint $table) => $table->unsignedInteger('cleared')->default(0));

        Schema::create('facts', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->char('topic_id', 26);
            $table->string('field', 80);
            $table->string('text', 200)->nullable();
            $table->bigInteger('number')->nullable();
            $table->char('date', 10)->nullable();
            $table->index(['map_id', 'topic_id']);
            $table->index(['field', 'text']);
            $table->index(['field', 'number']);
            $table->index(['field', 'date']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
        // So that what the maps already say is taken in when somebody asks.
        DB::table('maps')->update(['indexed_seq' => null]);
    }

    public function down(): void
    {
        Schema::dropIfExists('facts');
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn('cleared'));
    }
};
