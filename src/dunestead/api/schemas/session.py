"""Who is signed in."""

from pydantic import Field

from dunestead.api.wire import Shown, Wire


class SessionOut(Shown):
    """Whether one must sign in here, whether one has, and under which first name."""

    guarded: bool
    signed_in: bool
    by: str


class SignInIn(Wire):
    """The workshop's passphrase, and who comes in."""

    passphrase: str = Field(max_length=500)
    by: str = Field(default="", max_length=40, description="First name, for the log.")


class KeyIn(Wire):
    """A key that works once, and who comes in."""

    key: str = Field(max_length=100)
    by: str = Field(default="", max_length=40)


class InvitationOut(Shown):
    """A key for another device: its address, the minutes it works, and a picture of it as a data address."""

    address: str
    minutes: int
    picture: str


class SignOutQuery(Wire):
    """Whether all devices are meant."""

    everywhere: bool = False
