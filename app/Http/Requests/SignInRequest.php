<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'email', 'max:190'], 'password' => ['required', 'string', 'max:200']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.required' => 'Type your e-mail address.',
            'email.email' => 'This is not an e-mail address; it needs a name, an @ and a place.',
            'password.required' => 'Type your password.',
        ];
    }

    /** @throws ValidationException If address and password do not belong together. */
    public function signIn(): void
    {
        if (! Auth::attempt($this->only('email', 'password'), true)) {
            throw ValidationException::withMessages([
                'password' => 'This address and password do not belong together. Check both and try again.',
            ]);
        }
        $this->session()->regenerate();
    }
}
