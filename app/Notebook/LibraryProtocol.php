<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\ProtocolFile;
use Welkion\Core\Notebook\Protocol;

/** A protocol that can be chosen: one that comes with Welkion, or a teacher's own. */
final readonly class LibraryProtocol
{
    /** @param  ProtocolFile|null  $own  null: it comes with Welkion and is for everybody */
    public function __construct(public string $key, public Protocol $protocol, public ?ProtocolFile $own = null)
    {
    }

    public static function own(ProtocolFile $file): self
    {
        return new self("own-{$file->id}", Protocol::of($file->content), $file);
    }
}
