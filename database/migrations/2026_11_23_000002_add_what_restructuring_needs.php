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
        Schema::table('topics', function (Blueprint $table): void {
            $table->integer('x')->nullable();
            $table->integer('y')->nullable();
            $table->char('column', 26)->nullable();
            $table->char('parked', 26)->nullable();
            $table->string('numbering', 40)->nullable();
            $table->integer('number_from')->default(1);
            $table->integer('apart_x')->default(0);
            $table->integer('apart_y')->default(0);
            $table->unsignedBigInteger('changed')->default(0);
        });

        Schema::create('folders', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->char('parent', 26)->nullable();
            $table->string('name', 200);
            $table->index(['person_id', 'parent']);
        });

        Schema::table('maps', function (Blueprint $table): void {
            $table->char('folder', 26)->nullable();
            $table->boolean('favourite')->default(false);
            $table->boolean('starter')->default(false);
            // The number of the latest edit that the index of words knows.
            $table->unsignedBigInteger('indexed_seq')->nullable();
        });

        Schema::table('people', function (Blueprint $table): void {
            $table->string('starter', 40)->nullable();
        });

        Schema::table('edits', function (Blueprint $table): void {
            $table->index(['step']);
        });

        // A second view of the same map has folds and a scope of its own; "pane" tells the two apart.
        $before = DB::table('views')->get()->map(fn (object $row): array => (array) $row + ['pane' => 'first'])->all();
        Schema::drop('views');
        Schema::create('views', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('pane', 8);
            $table->longText('folded');
            $table->longText('outline_folded');
            $table->char('chosen', 26)->nullable();
            $table->char('scope', 26)->nullable();
            $table->char('outline_scope', 26)->nullable();
            $table->primary(['map_id', 'person_id', 'pane']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });

        foreach (array_chunk($before, 100) as $rows) {
            DB::table('views')->insert($rows);
        }

        Schema::create('words', function (Blueprint $table): void {
            $table->id();
            $table->string('word', 64)->unique();
        });

        Schema::create('word_grams', function (Blueprint $table): void {
            $table->string('gram', 12);
            $table->unsignedBigInteger('word_id');
            $table->primary(['gram', 'word_id']);
        });

        Schema::create('word_uses', function (Blueprint $table): void {
            $table->unsignedBigInteger('word_id');
            $table->char('map_id', 26);
            $table->char('topic_id', 26);
            $table->primary(['word_id', 'map_id', 'topic_id']);
            $table->index(['map_id', 'topic_id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        foreach (['word_uses', 'word_grams', 'words', 'folders'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('edits', fn (Blueprint $table) => $table->dropIndex(['step']));
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn('starter'));
        Schema::table('maps', fn (Blueprint $table) => $table->dropColumn(['folder', 'favourite', 'starter', 'indexed_seq']));
        Schema::table('topics', fn (Blueprint $table) => $table->dropColumn(['x', 'y', 'column', 'parked', 'numbering', 'number_from', 'apart_x', 'apart_y', 'changed']));
        $views = DB::table('views')->where('pane', 'first')->get(['map_id', 'person_id', 'folded', 'outline_folded', 'chosen'])->map(fn (object $row): array => (array) $row)->all();
        Schema::drop('views');
        Schema::create('views', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->longText('folded');
            $table->longText('outline_folded');
            $table->char('chosen', 26)->nullable();
            $table->primary(['map_id', 'person_id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
        foreach (array_chunk($views, 100) as $rows) {
            DB::table('views')->insert($rows);
        }
    }
};
