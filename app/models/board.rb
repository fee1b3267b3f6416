# A piece of material on a ground with trims, in variants to flip through.
class Board < Record
  belongs_to :project
  belongs_to :source, optional: true
  has_many :variants, -> { order(:position, :id) }

  scope :standing, -> { where(removed_at: nil).order(:position, :id) }

  # @return [String] PNG
  def piece = Blob.bytes(sha256)
end
