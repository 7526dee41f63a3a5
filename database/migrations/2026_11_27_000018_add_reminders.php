<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Which reminders were told by letter, and which were put away. */
    public function up(): void
    {
        Schema::create('reminders', function (Blueprint $table): void {
            $table->id();
            $table->char('map_id', 26);
            $table->char('topic_id', 26);
            $table->char('by', 10);
            $table->timestamp('sent_at')->nullable();
            $table->timestamp('away_at')->nullable();
            $table->unique(['map_id', 'topic_id', 'by']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
        // So that reminders that are there already are taken in when they are asked for.
        DB::table('maps')->update(['indexed_seq' => null]);
    }

    public function down(): void
    {
        Schema::dropIfExists('reminders');
    }
};
