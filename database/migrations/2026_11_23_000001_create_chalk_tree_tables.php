<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('people', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 100);
            $table->string('email', 200)->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestamps();
        });

        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email', 200)->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });

        Schema::create('letters', function (Blueprint $table): void {
            $table->id();
            $table->string('recipient', 200)->index();
            $table->string('subject', 500);
            $table->text('text');
            $table->timestamp('sent_at');
        });

        Schema::create('maps', function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->text('title')->nullable();
            $table->char('root', 26);
            $table->string('arrangement', 40);
            $table->unsignedBigInteger('seq')->default(0);
            $table->timestamp('trashed_at', 3)->nullable();
            $table->timestamp('created_at', 3);
            $table->timestamp('updated_at', 3);
            $table->index(['person_id', 'updated_at']);
        });

        Schema::create('topics', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->char('id', 26);
            $table->char('parent', 26)->nullable();
            $table->text('rank');
            $table->text('title');
            $table->text('caption');
            $table->text('note');
            $table->string('side', 5)->nullable();
            $table->boolean('side_held')->default(false);
            $table->unsignedSmallInteger('width')->nullable();
            $table->char('removed', 26)->nullable();
            $table->primary(['map_id', 'id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });

        Schema::create('edits', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->unsignedBigInteger('seq');
            $table->unsignedBigInteger('person_id');
            $table->char('edit_id', 26);
            $table->char('step', 26);
            $table->string('kind', 8);
            $table->string('state', 8);
            $table->string('name', 40);
            $table->text('summary');
            $table->longText('changes');
            $table->timestamp('made_at', 3);
            $table->primary(['map_id', 'seq']);
            $table->unique(['map_id', 'edit_id']);
            $table->index(['map_id', 'person_id', 'kind', 'state', 'seq']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });

        Schema::create('views', function (Blueprint $table): void {
            $table->char('map_id', 26);
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->longText('folded');
            $table->longText('outline_folded');
            $table->char('chosen', 26)->nullable();
            $table->primary(['map_id', 'person_id']);
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        foreach (['views', 'edits', 'topics', 'maps', 'letters', 'password_reset_tokens', 'people'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
