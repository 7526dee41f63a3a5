<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Which files a map has, or had at one time; what is in them lies in the file system under the same hash.
        Schema::create('files', function (Blueprint $table): void {
            $table->string('map_id', 26);
            $table->string('hash', 64);
            $table->string('name', 255);
            $table->string('media', 60);
            $table->unsignedBigInteger('bytes');
            $table->unsignedBigInteger('came');
            $table->primary(['map_id', 'hash']);
            $table->index('hash');
            $table->foreign('map_id')->references('id')->on('maps')->cascadeOnDelete();
        });
        // Files on their way, piece by piece.
        Schema::create('uploads', function (Blueprint $table): void {
            $table->string('id', 26)->primary();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('name', 255);
            $table->unsignedBigInteger('bytes');
            $table->unsignedBigInteger('received');
            $table->string('hash', 64)->nullable();
            $table->unsignedBigInteger('touched');
            $table->index('touched');
        });
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['failed_jobs', 'jobs', 'uploads', 'files'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
