"""What follows from one choice for another: a method that does not serve a new material is let go."""

from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, altered

__all__ = ["suited"]


def suited(job: Job, before: Job, catalogue: Catalogue) -> Job:
    """Return a changed job without a method chosen for what it no longer is."""
    method = catalogue.methods.get(job.mask.method or "")
    if method is None or job.mask.method != before.mask.method:
        return job
    serves = job.mask.material in method.materials and (not method.reverse or job.mask.reverse)
    return job if serves else altered(job, method=None)
