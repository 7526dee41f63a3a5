<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What people say to each other about topics, and whom it is told. */
    public function up(): void
    {
        Schema::create('comments', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('map_id', 26);
            $table->char('topic_id', 26);
            $table->char('parent', 26)->nullable();
            $table->unsignedBigInteger('person_id');
            $table->text('text');
            $table->unsignedBigInteger('made');
            $table->unsignedBigInteger('changed')->nullable();
            $table->unsignedBigInteger('resolved')->nullable();
            $table->index(['map_id', 'topic_id']);
            $table->index('parent');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
        });
        Schema::create('notices', function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('person_id');
            $table->char('comment_id', 26);
            $table->boolean('seen');
            $table->boolean('sent');
            $table->unique(['person_id', 'comment_id']);
            $table->foreign('person_id')->references('id')->on('people')->cascadeOnDelete();
            $table->foreign('comment_id')->references('id')->on('comments')->cascadeOnDelete();
        });
        Schema::table('maps', function (Blueprint $table): void {
            // How often anything was said in it, so that open maps know when to ask for it.
            $table->unsignedBigInteger('talk')->default(0);
        });
        Schema::table('visits', function (Blueprint $table): void {
            // The latest edit that was seen then.
            $table->unsignedBigInteger('seq')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('visits', fn (Blueprint $table) => $table->dropColumn('seq'));
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn('talk'));
        Schema::dropIfExists('notices');
        Schema::dropIfExists('comments');
    }
};
