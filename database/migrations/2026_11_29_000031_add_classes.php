<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Classes with their pupils, what was given out to them and what became of it, and ideas that are sent into a map by a code. */
    public function up(): void
    {
        Schema::create('school_classes', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('name', 100);
            // By which anybody joins; null while the door is closed.
            $table->string('code', 12)->nullable()->unique();
            $table->unsignedBigInteger('made');
            $table->index('person_id');
        });
        Schema::create('pupils', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('class_id', 26);
            $table->foreignId('person_id')->unique()->constrained('people')->cascadeOnDelete();
            $table->string('name', 60);
            $table->string('team', 40)->nullable();
            // The way back in, sealed, and what it is found by.
            $table->text('word');
            $table->char('hash', 64)->unique();
            $table->unsignedBigInteger('came')->nullable();
            $table->unique(['class_id', 'name']);
            $table->foreign('class_id')->references('id')->on('school_classes')->cascadeOnDelete();
        });
        Schema::create('hand_outs', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('class_id', 26);
            // What was given, which its copies are held against, and the map that it came from.
            $table->char('given_id', 26);
            $table->char('map_id', 26)->nullable();
            $table->char('model_id', 26)->nullable();
            $table->string('title', 200);
            $table->text('question');
            $table->char('due', 10)->nullable();
            $table->boolean('by_team');
            $table->text('rubric');
            $table->unsignedBigInteger('made');
            $table->index('class_id');
            $table->foreign('class_id')->references('id')->on('school_classes')->cascadeOnDelete();
            $table->foreign('given_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('map_id')->references('id')->on('maps')->nullOnDelete();
            $table->foreign('model_id')->references('id')->on('maps')->nullOnDelete();
        });
        Schema::create('hand_out_copies', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('hand_out_id', 26);
            $table->char('map_id', 26)->unique();
            $table->string('label', 60);
            $table->string('state', 10);
            $table->unsignedBigInteger('handed_in')->nullable();
            $table->text('marks');
            $table->text('words');
            $table->string('shown', 10)->nullable();
            $table->char('link_id', 26)->nullable();
            $table->index('hand_out_id');
            $table->foreign('hand_out_id')->references('id')->on('hand_outs')->cascadeOnDelete();
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
            $table->foreign('link_id')->references('id')->on('viewing_links')->nullOnDelete();
        });
        Schema::create('copy_pupils', function (Blueprint $table): void {
            $table->id();
            $table->char('copy_id', 26);
            $table->char('pupil_id', 26);
            $table->unique(['copy_id', 'pupil_id']);
            $table->index('pupil_id');
            $table->foreign('copy_id')->references('id')->on('hand_out_copies')->cascadeOnDelete();
            $table->foreign('pupil_id')->references('id')->on('pupils')->cascadeOnDelete();
        });
        Schema::create('idea_boxes', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('map_id', 26)->unique();
            $table->char('topic_id', 26);
            $table->string('question', 300);
            $table->string('code', 12)->unique();
            $table->boolean('is_looked');
            $table->boolean('is_open');
            $table->unsignedBigInteger('made');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
        Schema::create('ideas', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->char('box_id', 26);
            $table->string('text', 200);
            $table->unsignedBigInteger('made');
            $table->index('box_id');
            $table->foreign('box_id')->references('id')->on('idea_boxes')->cascadeOnDelete();
        });
        Schema::table('people', function (Blueprint $table): void {
            // The class whose pupil somebody is, who has no address and no library.
            $table->char('pupil_of', 26)->nullable()->index();
        });
        Schema::table('maps', function (Blueprint $table): void {
            // Of a map that was given out, or is a copy of one: it stands with its class, not in the library.
            $table->char('hand_out', 26)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn('hand_out'));
        Schema::table('people', function (Blueprint $table): void {
            $table->dropIndex(['pupil_of']);
            $table->dropColumn('pupil_of');
        });
        foreach (['ideas', 'idea_boxes', 'copy_pupils', 'hand_out_copies', 'hand_outs', 'pupils', 'school_classes'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
