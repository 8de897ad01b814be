<?php

declare(strict_types=1);

namespace App\Typing;

use App\Exceptions\Refusal;
use App\Models\Experiment;
use App\Models\TableFile;
use App\Models\User;
use Illuminate\Support\Str;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableHints;
use Welkion\Core\Formats\TableReader;
use Welkion\Core\Formats\UnreadableFile;

/** Keeps files as they came, and reads the tables in them. */
final readonly class TableFiles
{
    public const LARGEST_BYTES = 50_000_000;

    private const PIECE_BYTES = 65_536;

    /** A number takes some 21 bytes while it is looked at; so a file takes less than 64 MB. */
    private const MOST_CELLS = 2_500_000;

    public function __construct(private string $folder)
    {
    }

    /**
     * @param  string  $path  where it lies now; it is copied
     * @param  string  $key  the same key again keeps it once
     *
     * @throws Refusal If it is too large.
     */
    public function keep(Experiment $experiment, User $user, string $path, string $name, string $key): TableFile
    {
        $known = TableFile::query()->where('user_id', $user->id)->where('request_key', $key)->get()->first();
        if ($known !== null) {
            return $known;
        }
        $bytes = (int) filesize($path);
        $bytes <= self::LARGEST_BYTES || throw Refusal::fileTooLarge(self::LARGEST_BYTES);
        $place = "{$experiment->id}/".Str::uuid().'.txt';
        $to = "{$this->folder}/{$place}";
        if ((! is_dir(dirname($to)) && ! @mkdir(dirname($to), 0700, true) && ! is_dir(dirname($to))) || ! @copy($path, $to)) {
            throw Refusal::fileNotKept();
        }

        return TableFile::query()->create([
            'experiment_id' => $experiment->id, 'user_id' => $user->id, 'request_key' => $key, 'name' => mb_substr(basename($name), 0, 200), 'bytes' => $bytes, 'place' => $place,
        ])->refresh();
    }

    /**
     * @throws UnreadableFile If there is no table in it.
     * @throws Refusal If there is more in it than a run can hold; then no more of it is read.
     */
    public function table(TableFile $file, TableHints $hints): Table
    {
        return (new TableReader)->read($this->pieces($file), static function (int $rows, int $bytes, int $cells): void {
            $rows <= RowBook::MOST_ROWS || throw Refusal::tooManyRows(RowBook::MOST_ROWS);
            $cells <= self::MOST_CELLS || throw Refusal::fileTooWide(self::MOST_CELLS);
        }, $hints);
    }

    /** @return \Generator<int, string> */
    private function pieces(TableFile $file): \Generator
    {
        // Opened elsewhere: of an exception thrown in this body, in front of the "try", the optimiser of PHP 8.2 runs the "finally", too.
        $stream = $this->opened($file);
        try {
            while (! feof($stream)) {
                yield (string) fread($stream, self::PIECE_BYTES);
            }
        } finally {
            fclose($stream);
        }
    }

    /**
     * @return resource
     *
     * @throws Refusal If it is not there any more.
     */
    private function opened(TableFile $file)
    {
        $stream = @fopen("{$this->folder}/{$file->place}", 'rb');

        return $stream === false ? throw Refusal::fileGone($file->name) : $stream;
    }
}
