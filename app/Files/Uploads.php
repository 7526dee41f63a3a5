<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Person;
use App\Models\Upload;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Connection;

/**
 * Files on their way: begun with a name and a size, sent in pieces of any length one after another, so that what broke
 * off goes on where it was, then joined. Each piece is a file of its own, as object stores want it.
 */
final readonly class Uploads
{
    /** Bytes of one piece. */
    public const LARGEST_PIECE = 8 * 1024 * 1024;

    /** What nobody goes on with is swept away after this, seconds. */
    private const RESTS = 86_400;

    /** Files that one person has on their way, those that were taken in today too. */
    private const MOST = 2_000;

    public function __construct(private Filesystem $files, private Sums $sums, private Connection $database)
    {
    }

    /**
     * Begins one, or finds it begun.
     *
     * @param  bool  $isMap  whether it holds a map with its files, which may be as large as all of them
     *
     * @throws UnusableFile where it would be too large
     */
    public function begin(Person $person, string $id, string $name, int $bytes, bool $isMap = false): Upload
    {
        return $this->database->transaction(function () use ($person, $id, $name, $bytes, $isMap): Upload {
            // One after another, so that two do not both take the last room.
            Person::query()->whereKey($person->id)->lockForUpdate()->value('id');
            $known = Upload::query()->find($id);
            if ($known !== null) {
                return $known->person_id === $person->id && $known->bytes === $bytes ? $known : throw new UnusableFile('This id is taken. Choose another.', 'id');
            }
            $largest = $isMap ? $this->sums->most() : Sums::largest();
            if ($bytes > $largest) {
                throw new UnusableFile('A file can have at most '.Sums::words($largest).'; “'.$name.'” has '.Sums::words($bytes).'.', 'bytes');
            }
            $this->sums->check($person, $bytes);
            if (Upload::query()->where('person_id', $person->id)->count() >= self::MOST) {
                throw new UnusableFile('So many files came today that no more can; go on tomorrow.');
            }

            return Upload::query()->create(['id' => $id, 'person_id' => $person->id, 'name' => $name, 'bytes' => $bytes, 'received' => 0, 'hash' => null, 'touched' => time()]);
        });
    }

    /**
     * Takes a piece. One that is there already is left, whatever is in it now.
     *
     * @param  int  $at  bytes from the beginning
     * @return int how many bytes are there then, from the beginning; a piece from farther on than that is not kept
     *
     * @throws UnusableFile where it goes beyond the end
     */
    public function add(Upload $upload, int $at, string $piece): int
    {
        if (strlen($piece) > self::LARGEST_PIECE || $at + strlen($piece) > $upload->bytes) {
            throw new UnusableFile('This piece is longer than it can be.');
        }
        if ($at !== $upload->received || $piece === '') {
            return $upload->received;
        }
        $this->files->put(self::path($upload, $at), $piece);
        // Whoever is second with the same piece has written the same.
        Upload::query()->whereKey($upload->id)->where('received', $at)->update(['received' => $at + strlen($piece), 'touched' => time()]);

        return (int) Upload::query()->whereKey($upload->id)->value('received');
    }

    /**
     * Joins the pieces.
     *
     * @return JoinedFile gone when nothing refers to it any more
     *
     * @throws UnusableFile where some are missing
     */
    public function join(Upload $upload): JoinedFile
    {
        $joined = JoinedFile::begin();
        if ($upload->received === $upload->bytes) {
            foreach ($this->pieces($upload) as $piece) {
                $from = $this->files->readStream($piece) ?? throw new UnusableFile('A piece of this file was lost. Send it again.');
                $joined->append($from);
                fclose($from);
            }
        }
        if ($joined->bytes() !== $upload->bytes) {
            throw new UnusableFile("Of “{$upload->name}” only {$upload->received} of {$upload->bytes} bytes have come.", 'upload');
        }

        return $joined;
    }

    /** Its pieces are wanted no more. */
    public function end(Upload $upload, string $hash): void
    {
        $upload->update(['hash' => $hash, 'touched' => time()]);
        $this->files->deleteDirectory("coming/{$upload->id}");
    }

    public function stop(Upload $upload): void
    {
        $upload->delete();
        $this->files->deleteDirectory("coming/{$upload->id}");
    }

    public function sweep(): void
    {
        Upload::query()->where('touched', '<', time() - self::RESTS)->each($this->stop(...));
    }

    /** @return list<string> in their order */
    private function pieces(Upload $upload): array
    {
        $pieces = $this->files->files("coming/{$upload->id}");
        sort($pieces);

        return $pieces;
    }

    private static function path(Upload $upload, int $at): string
    {
        return sprintf('coming/%s/%015d', $upload->id, $at);
    }
}
