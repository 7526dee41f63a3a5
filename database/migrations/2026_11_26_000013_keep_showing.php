<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Whether what a view shows is meant for others. */
    public function up(): void
    {
        Schema::table('views', fn (Blueprint $table) => $table->boolean('showing')->default(false));
    }
};
