# A palette file that is being looked at before it is brought in.
class Import < Record
  belongs_to :project

  # @return [Magpie::Formats::Result]
  # @raise [Magpie::Error]
  def result = @result ||= Magpie::Walls.palette(Blob.bytes(sha256), name:)
end
