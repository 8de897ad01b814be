<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Middleware\SessionAge;
use App\Http\PasswordCheck;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'email' => ['bail', 'required', 'string', 'max:190', 'email'],
            'password' => ['bail', 'required', 'string', 'max:200'],
            'stay' => ['boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.required' => 'Type your e-mail address.',
            'email.*' => 'This is not an e-mail address; it needs a name, an @ and a place.',
            'password.*' => 'Type your password.',
        ];
    }

    /** @throws ValidationException If address and password do not belong together. */
    public function signIn(PasswordCheck $check): void
    {
        $user = $check->userOf($this->string('email')->toString(), $this->string('password')->toString())
            ?? throw ValidationException::withMessages([
                'password' => 'This address and password do not belong together. Check both and try again.',
            ]);
        Auth::login($user);
        $this->session()->regenerate();
        $this->session()->put(SessionAge::STAYS, $this->boolean('stay'));
    }
}
