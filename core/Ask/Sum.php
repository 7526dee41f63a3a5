<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** Numbers of several topics, taken together. */
final readonly class Sum
{
    private function __construct(
        public int $count,
        public float $sum,
        public float $least,
        public float $most,
        private float $weight,
        private float $weighted,
    ) {
    }

    public static function one(float $value, float $weight = 1.0): self
    {
        return new self(1, $value, $value, $value, $weight, $weight * $value);
    }

    public function with(self $other): self
    {
        return new self($this->count + $other->count, $this->sum + $other->sum, min($this->least, $other->least), max($this->most, $other->most), $this->weight + $other->weight, $this->weighted + $other->weighted);
    }

    /** The same, had each this number. */
    public function each(float $value): self
    {
        return new self($this->count, $this->count * $value, $value, $value, $this->weight, $this->weight * $value);
    }

    /** The mean, weighted where its numbers have weights. */
    public function mean(): float
    {
        return $this->weight > 0.0 ? $this->weighted / $this->weight : $this->sum / $this->count;
    }

    /** @return list<float|int> */
    public function toArray(): array
    {
        return [$this->count, $this->sum, $this->least, $this->most, $this->weight, $this->weighted];
    }

    /** @param  array<mixed>  $kept  as toArray() gave it */
    public static function fromArray(array $kept): self
    {
        [$count, $sum, $least, $most, $weight, $weighted] = array_map(fn (mixed $one): float => is_numeric($one) ? (float) $one : 0.0, array_pad(array_values($kept), 6, 0));

        return new self((int) $count, $sum, $least, $most, $weight, $weighted);
    }
}
