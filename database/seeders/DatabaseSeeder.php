<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\User;
use Illuminate\Database\Seeder;

/** Larkfield, a country school with an orchard and a creamery: the demo data. All persons are invented. */
final class DatabaseSeeder extends Seeder
{
    public const TEACHER_EMAIL = 'teacher@larkfield.example';

    public function run(): void
    {
        $teacher = User::query()->create([
            'name' => 'Iris Fenwick', 'email' => self::TEACHER_EMAIL,
            'password' => config()->string('welkion.demo_password'),
        ]);
        $larkfield = new Larkfield($teacher);
        $larkfield->benches();
        $larkfield->shelf();
        $larkfield->experiments();
    }
}
