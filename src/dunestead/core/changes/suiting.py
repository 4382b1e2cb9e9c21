"""What follows from one choice for another: what nobody decided by hand goes along with what was changed."""

from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, altered
from dunestead.core.job.proposing import coatings_for

__all__ = ["suited"]


def suited(job: Job, before: Job, catalogue: Catalogue) -> Job:
    """Return a changed job without a method chosen for what it no longer is, and with the coatings proposed for it.

    Coatings that the maker decided stay as they are.
    """
    return _with_coatings(_without_method(job, before, catalogue), before, catalogue)


def _without_method(job: Job, before: Job, catalogue: Catalogue) -> Job:
    method = catalogue.methods.get(job.mask.method or "")
    if method is None or job.mask.method != before.mask.method:
        return job
    serves = job.mask.material in method.materials and (not method.reverse or job.mask.reverse)
    return job if serves else altered(job, method=None)


def _with_coatings(job: Job, before: Job, catalogue: Catalogue) -> Job:
    if before.blank.surface not in catalogue.surfaces or before.mask.material not in catalogue.materials:
        # Nothing was ever proposed for a row that is no more; the change may be what mends it.
        return job
    if job.paint.coatings != before.paint.coatings or before.paint.coatings != coatings_for(before, catalogue):
        return job
    return altered(job, coatings=coatings_for(job, catalogue))
