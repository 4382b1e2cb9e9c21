"""What goes over the wire, a module a blueprint; those that all of a job's answers share are at hand here."""

from dunestead.api.schemas.blanks import *
from dunestead.api.schemas.catalogue import *
from dunestead.api.schemas.common import *
from dunestead.api.schemas.design import *
from dunestead.api.schemas.guide import *
from dunestead.api.schemas.jobs import *
from dunestead.api.schemas.keeping import *
from dunestead.api.schemas.laying import *
from dunestead.api.schemas.mask import *
from dunestead.api.schemas.picture import *
from dunestead.api.schemas.session import *
from dunestead.api.schemas.work import *
