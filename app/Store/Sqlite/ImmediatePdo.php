<?php

declare(strict_types=1);

namespace App\Store\Sqlite;

use PDO;

/**
 * A connection to SQLite whose transactions take the write lock when they begin. With PDO's own, two edit requests
 * that read before they write could both hold a read lock, and one would fail instead of waiting.
 */
final class ImmediatePdo extends PDO
{
    private bool $open = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE TRANSACTION');

        return $this->open = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->open = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->open = false;
        $this->exec('ROLLBACK');

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->open;
    }
}
