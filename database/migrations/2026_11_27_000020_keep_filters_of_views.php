<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** To what a view is narrowed, as JSON; null for the whole map. */
    public function up(): void
    {
        Schema::table('views', fn (Blueprint $table) => $table->text('filter')->nullable());
    }
};
